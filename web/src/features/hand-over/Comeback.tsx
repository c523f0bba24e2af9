import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useState } from "react";
import type { JobView, Schemas } from "../../api/client";
import { useJob, useSeenVersion, useSend } from "../../api/job";
import { comebackCauses, comebackWords } from "../../api/words";
import { BothWays, type Lines } from "../../shared/BothWays";
import { asError, at } from "../../shared/ProblemNote";
import { Press } from "../../shared/Press";
import { useDraft } from "../../shared/useDraft";
import {
  cameBack,
  comebackBody,
  comebackLines,
  comebackText,
} from "./comebackText";

const lines = ({ document: { job } }: JobView): Lines =>
  comebackLines(job.comeback ?? null);

/** That a vehicle came back for work that was done here, and by what: the shop learns from it. */
export function Comeback({
  onSaved,
}: {
  /** The job's row is another one now: what else was filled from it looks again. */
  onSaved: () => void;
}) {
  const view = useJob();
  const d = view.document;
  const send = useSend();
  const seen = useSeenVersion(d.job.id);
  const [opened, setOpened] = useState(view);
  // It stays open while its fields are typed in, whatever is saved meanwhile.
  const [unfolded, setUnfolded] = useState(
    !!d.job.comeback && d.job.comeback.cause === null,
  );
  const [text, setText, clear] = useDraft(
    `comeback.${d.job.id}`,
    comebackText(d.job.comeback ?? null),
  );
  const [problem, setProblem] = useState<Error | null>(null);
  // What is stored as it stands here is no draft any more.
  const isStored =
    JSON.stringify(text) ===
    JSON.stringify(comebackText(d.job.comeback ?? null));
  useEffect(() => {
    if (isStored) {
      clear();
    }
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- once, when it becomes so
  }, [isStored]);
  if (!cameBack(d)) {
    return null;
  }
  const save = async (over?: JobView, none = false) => {
    setProblem(null);
    try {
      const outcome = await send(
        {
          kind: "sayComeback",
          version: over ? (over.versions[d.job.id] ?? 0) : seen.version,
          comeback: none ? null : comebackBody(text),
        },
        none ? "that it is no comeback" : "the comeback",
      );
      seen.saved(outcome);
      // What waits for the network stays in the form until it is seen to be stored.
      if ("stored" in outcome || none) {
        clear();
      }
      onSaved();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const said = d.job.comeback ?? null;
  return (
    <Box
      component="details"
      open={unfolded}
      onToggle={(e) => {
        setUnfolded(e.currentTarget.open);
      }}
      sx={{ mt: 1.5 }}
    >
      <Box
        component="summary"
        sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
      >
        {said === null
          ? "It was here before. Does it come back for work that was done here?"
          : `It came back: ${comebackWords[said.for]}${said.cause === null ? ". By what?" : `; ${comebackCauses[said.cause]}`}`}
      </Box>
      <Box sx={{ display: "grid", gap: 1.5, mt: 1 }}>
        <ComebackFields
          text={text}
          problem={problem}
          onChange={(next) => {
            setText({ ...text, ...next });
          }}
        />
        <TextField
          select
          label="Came back by"
          value={text.cause}
          onChange={(e) => {
            setText({
              ...text,
              cause: e.target.value as Schemas["ComebackCause"] | "",
            });
          }}
          {...at(problem, "comeback.cause")}
        >
          <MenuItem value="">not found yet</MenuItem>
          {Object.entries(comebackCauses).map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="What was found"
          value={text.found}
          onChange={(e) => {
            setText({ ...text, found: e.target.value });
          }}
          {...at(problem, "comeback.found")}
        />
        <Typography color="text.secondary">
          It is counted in the shop’s year. What load, wear or something else
          brought back is listed there and is not counted against the work.
        </Typography>
        <BothWays
          problem={problem}
          mine={lines(opened)}
          theirs={lines}
          onTheirs={(fresh) => {
            setOpened(fresh);
            seen.see(fresh);
            setText(comebackText(fresh.document.job.comeback ?? null));
            setProblem(null);
          }}
          onMine={(fresh) => save(fresh)}
        />
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          <Press variant="outlined" act={() => save()}>
            Keep the comeback
          </Press>
          {said !== null && (
            <Press act={() => save(undefined, true)}>It is no comeback</Press>
          )}
        </Box>
      </Box>
    </Box>
  );
}

/** What it comes back for, in choices and in the owner's words. */
export function ComebackFields({
  text,
  problem,
  none,
  onChange,
}: {
  text: { for: Schemas["ComebackFor"] | ""; words: string };
  problem: Error | null;
  /** What it comes for when it does not come back; where that is an answer. */
  none?: string;
  onChange: (
    next: Partial<{ for: Schemas["ComebackFor"] | ""; words: string }>,
  ) => void;
}) {
  return (
    <>
      <TextField
        select
        label="Comes back for"
        value={text.for}
        onChange={(e) => {
          onChange({ for: e.target.value as Schemas["ComebackFor"] | "" });
        }}
        slotProps={{
          inputLabel: { shrink: none !== undefined || text.for !== "" },
          select: { displayEmpty: none !== undefined },
        }}
        {...at(problem, "comeback.for")}
      >
        {none !== undefined && <MenuItem value="">{none}</MenuItem>}
        {Object.entries(comebackWords).map(([key, words]) => (
          <MenuItem key={key} value={key}>
            {words}
          </MenuItem>
        ))}
      </TextField>
      {(none === undefined || text.for !== "") && (
        <TextField
          label="What the owner says of it"
          value={text.words}
          onChange={(e) => {
            onChange({ words: e.target.value });
          }}
          {...at(problem, "comeback.words")}
        />
      )}
    </>
  );
}
