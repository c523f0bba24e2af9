import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { currentStage } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { useUnit } from "../../shared/Length";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import {
  ConditionsFields,
  conditionsBody,
  conditionsOf,
} from "./ConditionsFields";
import { ReadStations } from "./ReadStations";

/** Walk-rounds of the stage in which the vehicle is now. */
export default function WalkRoundView() {
  const view = useJob();
  const d = view.document;
  const send = useSend();
  const unit = useUnit();
  const stage = currentStage(d);
  const rounds = d.walkRounds
    .filter((w) => w.stageId === stage.id)
    .sort((a, b) => a.at.localeCompare(b.at));
  const last = d.walkRounds.toSorted((a, b) => a.at.localeCompare(b.at)).at(-1);
  const [chosen, setChosen] = useState<string | "new" | null>(null);
  const [conditions, setConditions] = useState(() => conditionsOf(last, unit));
  const [problem, setProblem] = useState<Error | null>(null);
  const round =
    chosen === "new"
      ? undefined
      : (rounds.find((r) => r.id === chosen) ?? rounds.at(-1));

  const begin = async () => {
    setProblem(null);
    const id = v7();
    try {
      await send(
        "POST",
        "/walk-rounds",
        {
          id,
          stageId: stage.id,
          conditions: conditionsBody(conditions, unit),
        },
        "a walk-round",
      );
      setChosen(id);
    } catch (e) {
      setProblem(asError(e));
    }
  };

  return (
    <Box>
      <Box
        sx={{
          display: "flex",
          flexWrap: "wrap",
          gap: 1,
          alignItems: "center",
          mb: 1,
        }}
      >
        <Typography variant="h1" sx={{ mr: 1 }}>
          Walk round, {stage.name}
        </Typography>
        {rounds.map((r, i) => (
          <Button
            key={r.id}
            size="small"
            variant={r.id === round?.id ? "contained" : "outlined"}
            aria-pressed={r.id === round?.id}
            onClick={() => {
              setChosen(r.id);
            }}
          >
            Round {i + 1}, {r.settled === "no" ? "not settled" : r.settled}
          </Button>
        ))}
        {rounds.length > 0 && (
          <Button
            size="small"
            variant={round ? "text" : "contained"}
            onClick={() => {
              setConditions(conditionsOf(last, unit));
              setChosen("new");
            }}
          >
            New round
          </Button>
        )}
      </Box>
      {round ? (
        <ReadStations key={round.id} round={round} />
      ) : (
        <Box sx={{ maxWidth: 900 }}>
          <Typography sx={{ mb: 1.5 }}>
            {last
              ? "Same as last time? What differs is changed here."
              : "How does it stand? The numbers are only as good as this."}
          </Typography>
          <ConditionsFields value={conditions} onChange={setConditions} />
          <Button
            variant="contained"
            sx={{ mt: 1.5 }}
            onClick={() => void begin()}
          >
            Begin at the left front
          </Button>
          <ProblemNote problem={problem} />
        </Box>
      )}
    </Box>
  );
}
