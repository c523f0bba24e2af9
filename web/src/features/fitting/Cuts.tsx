import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { cutWords } from "../../api/words";
import { showText } from "../../shared/length";
import { useUnit } from "../../shared/Length";
import { asError, at, ProblemNote } from "../../shared/ProblemNote";
import { quantityText, typed } from "../../shared/quantity";
import { useDraft } from "../../shared/useDraft";

/** A cut as it is said: how many of what, how, how far from where. */
export function cutText(c: Schemas["Cut"]): string {
  return `${c.count.toString()} × ${c.what}, ${cutWords[c.kind]}${c.size ? ` ${quantityText(c.size)}` : ""}, ${quantityText(c.distance)} from ${c.from}`;
}

const none = {
  what: "",
  how: "drill" as Schemas["CutKind"],
  from: "",
  distance: "",
  size: "",
  count: "",
};

/** What is cut or drilled, by dimension, before it is: from where, how far, which size, how many. */
export function Cuts({
  step: { where, cuts: planned },
  plan,
}: {
  step: Schemas["CardStep"];
  plan: string;
}) {
  const d = useJob().document;
  const send = useSend();
  const unit = useUnit();
  const mine = d.cuts.filter((c) => c.planId === plan && c.where === where);
  const next = planned.find((p) => !mine.some((c) => c.what === p.what));
  const [draft, setDraft, clear] = useDraft(
    `cut.${plan}.${where}`,
    next
      ? {
          what: next.what,
          how: next.kind,
          from: next.from,
          distance: showText(next.distanceMm, unit),
          size: "",
          count: next.count.toString(),
        }
      : none,
  );
  const [problem, setProblem] = useState<Error | null>(null);
  const add = async () => {
    setProblem(null);
    try {
      await send(
        {
          kind: "noteCut",
          id: v7(),
          where,
          what: draft.what,
          how: draft.how,
          from: draft.from,
          distance: typed(draft.distance, unit),
          size: draft.how === "drill" ? typed(draft.size, unit) : null,
          count: Number(draft.count),
        },
        draft.what,
      );
      clear();
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const strike = async (c: Schemas["Cut"]) => {
    setProblem(null);
    try {
      await send({ kind: "dropCut", id: c.id }, `struck out: ${c.what}`);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  const field = (key: "what" | "from" | "distance" | "size", label: string) => (
    <TextField
      label={label}
      value={draft[key]}
      onChange={(e) => {
        setDraft({ ...draft, [key]: e.target.value });
      }}
      {...at(problem, key)}
    />
  );
  return (
    <Box component="fieldset" sx={{ border: 1, borderColor: "divider", p: 1 }}>
      <legend>By dimension, before it is done</legend>
      {mine.length > 0 && (
        <Box component="ul" sx={{ my: 0, pl: 3 }}>
          {mine.map((c) => (
            <li key={c.id}>
              {cutText(c)}{" "}
              <Press
                size="small"
                color="inherit"
                aria-label={`Strike out: ${cutText(c)}`}
                act={() => strike(c)}
              >
                Strike out
              </Press>
            </li>
          ))}
        </Box>
      )}
      <Box
        sx={{
          display: "grid",
          gap: 1,
          mt: 1,
          gridTemplateColumns: "repeat(auto-fill, minmax(150px, 1fr))",
        }}
      >
        {field("what", "What")}
        <TextField
          select
          label="How"
          value={draft.how}
          onChange={(e) => {
            setDraft({ ...draft, how: e.target.value as Schemas["CutKind"] });
          }}
        >
          {Object.entries(cutWords).map(([key, said]) => (
            <MenuItem key={key} value={key}>
              {said}
            </MenuItem>
          ))}
        </TextField>
        {field("from", "Measured from")}
        {field("distance", `How far, ${unit}`)}
        {draft.how === "drill" && field("size", `Hole, ${unit}`)}
        <TextField
          label="How many"
          value={draft.count}
          onChange={(e) => {
            setDraft({ ...draft, count: e.target.value.replace(/\D/g, "") });
          }}
          {...at(problem, "count")}
        />
      </Box>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1 }}>
        <Press variant="outlined" act={add} sx={{ whiteSpace: "nowrap" }}>
          Note it
        </Press>
        <Typography color="text.secondary" sx={{ fontSize: "0.88rem" }}>
          {next
            ? "As it follows from the plan: confirm it on the part."
            : "As the sheet says; the count is of this place alone."}
        </Typography>
      </Box>
      {problem &&
        !["what", "from", "distance", "size", "count"].some(
          (f) => at(problem, f).error,
        ) && <ProblemNote problem={problem} />}
    </Box>
  );
}
