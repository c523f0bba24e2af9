import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState, type ReactNode } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import type { NewCommand } from "../../api/command";
import { useJob, useSend } from "../../api/job";
import { jointWords } from "../../api/words";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { useOnce } from "../../shared/useOnce";
import { useDraft } from "../../shared/useDraft";

const places = ["LF", "RF", "LR", "RR", "front", "rear", "vehicle"];

/** Joints, lines and steps that this vehicle has and the card does not know. */
export function AddToCard({ step }: { step: Schemas["CardStep"] | undefined }) {
  const d = useJob().document;
  const where = step?.where ?? "vehicle";
  return (
    <Box component="section" sx={{ mt: 2 }}>
      <details>
        <summary>
          <Typography variant="h2" component="span">
            Not on the card? Add it
          </Typography>
        </summary>
        <Box sx={{ display: "grid", gap: 2, mt: 1 }}>
          <AJoint where={where} />
          <ALine where={where} />
          {step && <AStep where={where} after={step} />}
          {d.ownSteps.length > 0 && <OwnSteps />}
        </Box>
      </details>
    </Box>
  );
}

function useAdd(clear: () => void) {
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const once = useOnce();
  const add = (command: NewCommand, says: string) =>
    once(async () => {
      setProblem(null);
      try {
        await send(command, says);
        clear();
      } catch (e) {
        setProblem(asError(e));
      }
    });
  return { problem, add };
}

function Group({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="fieldset" sx={{ border: 1, borderColor: "divider", p: 1 }}>
      <legend>{title}</legend>
      <Box
        sx={{
          display: "grid",
          gap: 1,
          gridTemplateColumns: "repeat(auto-fill, minmax(190px, 1fr))",
          alignItems: "start",
        }}
      >
        {children}
      </Box>
    </Box>
  );
}

function Where({
  value,
  onChange,
}: {
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <TextField
      select
      label="Where"
      value={value}
      onChange={(e) => {
        onChange(e.target.value);
      }}
    >
      {places.map((p) => (
        <MenuItem key={p} value={p}>
          {p}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface JointDraft {
  where: string;
  name: string;
  heldBy: Schemas["JointKind"];
  position: string;
  count: string;
}

function AJoint({ where }: { where: string }) {
  const [draft, setDraft, clear] = useDraft<JointDraft>("add-joint", {
    where: "",
    name: "",
    heldBy: "clamped",
    position: "bolt",
    count: "1",
  });
  const { problem, add } = useAdd(clear);
  const at_ = draft.where || where;
  return (
    <Group title="A joint: a line of the ledger from now on">
      <Where
        value={at_}
        onChange={(w) => {
          setDraft({ ...draft, where: w });
        }}
      />
      <TextField
        label="What meets what"
        value={draft.name}
        onChange={(e) => {
          setDraft({ ...draft, name: e.target.value });
        }}
        {...at(problem, "name")}
      />
      <TextField
        select
        label="Held by"
        value={draft.heldBy}
        onChange={(e) => {
          setDraft({
            ...draft,
            heldBy: e.target.value as Schemas["JointKind"],
          });
        }}
      >
        {Object.entries(jointWords).map(([key, words]) => (
          <MenuItem key={key} value={key}>
            {words.said}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        label="Fastener"
        value={draft.position}
        onChange={(e) => {
          setDraft({ ...draft, position: e.target.value });
        }}
        {...at(problem, "fasteners[0].position")}
      />
      <TextField
        label="How many"
        value={draft.count}
        onChange={(e) => {
          setDraft({ ...draft, count: e.target.value.replace(/\D/g, "") });
        }}
        {...at(problem, "fasteners[0].count")}
      />
      <Button
        variant="outlined"
        onClick={() =>
          void add(
            {
              kind: "addJoint",
              id: v7(),
              where: at_,
              name: draft.name,
              heldBy: draft.heldBy,
              fasteners: [
                {
                  position: draft.position,
                  count: Number(draft.count),
                  thread: null,
                  lengthFound: null,
                  lengthNeeded: null,
                  wrench: null,
                  newPartOnly: false,
                  threadlocker: null,
                },
              ],
            },
            draft.name,
          )
        }
      >
        Add the joint
      </Button>
      <ProblemNote problem={problem} />
    </Group>
  );
}

function ALine({ where }: { where: string }) {
  const [draft, setDraft, clear] = useDraft("add-line", {
    where: "",
    what: "",
  });
  const { problem, add } = useAdd(clear);
  const at_ = draft.where || where;
  return (
    <Group title="Something that came off: liner, cap, clip">
      <Where
        value={at_}
        onChange={(w) => {
          setDraft({ ...draft, where: w });
        }}
      />
      <TextField
        label="What came off"
        value={draft.what}
        onChange={(e) => {
          setDraft({ ...draft, what: e.target.value });
        }}
        {...at(problem, "what")}
      />
      <Button
        variant="outlined"
        onClick={() =>
          void add(
            { kind: "addOffLine", id: v7(), where: at_, what: draft.what },
            draft.what,
          )
        }
      >
        Add the line
      </Button>
      <ProblemNote problem={problem} />
    </Group>
  );
}

function AStep({
  where,
  after,
}: {
  where: string;
  after: Schemas["CardStep"];
}) {
  const [draft, setDraft, clear] = useDraft("add-step", { title: "", how: "" });
  const { problem, add } = useAdd(clear);
  return (
    <Group title={`A step behind “${after.title}”`}>
      <TextField
        label="What is to be done"
        value={draft.title}
        onChange={(e) => {
          setDraft({ ...draft, title: e.target.value });
        }}
        {...at(problem, "title")}
      />
      <TextField
        label="How"
        value={draft.how}
        multiline
        onChange={(e) => {
          setDraft({ ...draft, how: e.target.value });
        }}
      />
      <Button
        variant="outlined"
        onClick={() =>
          void add(
            {
              kind: "addStep",
              id: v7(),
              after: after.key,
              where,
              title: draft.title,
              how: draft.how || null,
            },
            draft.title,
          )
        }
      >
        Add the step
      </Button>
      <ProblemNote problem={problem} />
    </Group>
  );
}

function OwnSteps() {
  const d = useJob().document;
  const { problem, add } = useAdd(() => undefined);
  return (
    <Box>
      <Typography sx={{ fontWeight: 650 }}>Added steps</Typography>
      {d.ownSteps.map((s) => (
        <Box key={s.id} sx={{ display: "flex", gap: 1, alignItems: "center" }}>
          <span>
            {s.where}: {s.title}
          </span>
          {!d.steps.some((x) => x.step.endsWith(`/own-${s.id}`)) && (
            <Press
              size="small"
              aria-label={`Take off the card: ${s.title}`}
              act={() => add({ kind: "dropStep", id: s.id }, s.title)}
            >
              Take off the card
            </Press>
          )}
        </Box>
      ))}
      <ProblemNote problem={problem} />
    </Box>
  );
}
