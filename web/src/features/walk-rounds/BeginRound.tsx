import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { Press } from "../../shared/Press";
import type { Schemas } from "../../api/client";
import { useJob, type Send } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { useSettings } from "../../shared/useSettings";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import {
  conditionsBody,
  conditionsOf,
  conditionsWords,
  datumWords,
} from "./conditions/conditions";
import { ConditionsFields } from "./conditions/ConditionsFields";

const settled: { key: Schemas["Settled"]; words: string }[] = [
  { key: "rolled", words: "Rolled" },
  { key: "bounced", words: "Bounced" },
  { key: "driven", words: "Driven" },
  { key: "no", words: "Not settled yet" },
];

/** A walk-round that was refused: what was typed, and why. */
export type Tried = {
  round: string;
  stage: string;
  conditions: ReturnType<typeof conditionsOf>;
  differs: boolean;
  problem: Error;
};

/** Begins a walk-round. A later one is the same as the last by one press: only how it settled is asked. */
export function BeginRound({
  stage,
  last,
  tried,
  send,
  onBegun,
  onRefused,
}: {
  stage: Schemas["Stage"];
  last: Schemas["WalkRound"] | undefined;
  /** What was refused before: a round shows at once, and this form is not there while it does. */
  tried: Tried | null;
  send: Send;
  onBegun: (round: string) => void;
  onRefused: (tried: Tried) => void;
}) {
  const d = useJob().document;
  const unit = useUnit();
  const settings = useSettings();
  const [conditions, setConditions] = useState(
    () => tried?.conditions ?? conditionsOf(last, unit, settings),
  );
  const [differs, setDiffers] = useState(tried?.differs ?? false);
  const [problem, setProblem] = useState(tried?.problem ?? null);

  const begin = async (how: Schemas["Settled"]) => {
    setProblem(null);
    const id = v7();
    try {
      await send(
        {
          kind: "beginWalkRound",
          id,
          stageId: stage.id,
          conditions: conditionsBody({ ...conditions, settled: how }, unit),
        },
        "a walk-round",
      );
      onBegun(id);
    } catch (e) {
      onRefused({
        round: id,
        stage: stage.id,
        conditions,
        differs,
        problem: asError(e),
      });
    }
  };

  if (last && !differs) {
    const lastStage = d.stages.find((s) => s.id === last.stageId);
    return (
      <Box sx={{ maxWidth: 900 }}>
        <Typography variant="h2" sx={{ mb: 0.5 }}>
          Same as last time, and settled how?
        </Typography>
        <Typography sx={{ mb: 1.5 }}>
          Last time ({lastStage?.name}): {conditionsWords(last)}. Stations,
          order, datum ({datumWords[last.datum]}) and tape as then.
        </Typography>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
          {settled.map((s) => (
            <Press
              key={s.key}
              variant={s.key === "no" ? "outlined" : "contained"}
              act={() => begin(s.key)}
              sx={{ px: 3 }}
            >
              {s.words}
            </Press>
          ))}
          <Button
            color="inherit"
            onClick={() => {
              setDiffers(true);
            }}
          >
            Something differs…
          </Button>
        </Box>
        <ProblemNote problem={problem} />
      </Box>
    );
  }
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Typography sx={{ mb: 1.5 }}>
        {last
          ? "What differs from last time? It is shown, and enters the comparison."
          : "How does it stand? The numbers are only as good as this."}
      </Typography>
      <ConditionsFields
        value={conditions}
        onChange={setConditions}
        walk={!last}
      />
      <Press
        variant="contained"
        sx={{ mt: 1.5 }}
        act={() => begin(conditions.settled)}
      >
        Begin the walk-round
      </Press>
      <ProblemNote problem={problem} />
    </Box>
  );
}
