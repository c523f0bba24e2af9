import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Press } from "../../../shared/Press";
import type { JobView, Schemas } from "../../../api/client";
import { useJob, useSeenVersion, useSend } from "../../../api/job";
import { useUnit } from "../../../shared/Length";
import { BothWays } from "../../../shared/BothWays";
import { asError } from "../../../shared/ProblemNote";
import {
  conditionsBody,
  conditionsLines,
  conditionsOf,
  settledWords,
} from "./conditions";
import { ConditionsFields } from "./ConditionsFields";

/** Under which conditions this round is read; they can be put right at any time. */
export function RoundConditions({ round }: { round: Schemas["WalkRound"] }) {
  const view = useJob();
  const send = useSend();
  const unit = useUnit();
  const [open, setOpen] = useState(false);
  const [value, setValue] = useState(() => conditionsOf(round, unit));
  const seen = useSeenVersion(round.id);
  const [problem, setProblem] = useState<Error | null>(null);
  const roundOf = (of: JobView) =>
    of.document.walkRounds.find((r) => r.id === round.id) ?? round;
  const keep = async (over?: JobView) => {
    setProblem(null);
    try {
      const outcome = await send(
        {
          kind: "setConditions",
          id: round.id,
          version: over ? (over.versions[round.id] ?? 0) : seen.version,
          conditions: conditionsBody(value, unit),
        },
        "the conditions of the walk-round",
      );
      seen.saved(outcome);
      setOpen(false);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box sx={{ mt: 1 }}>
      <Button
        size="small"
        color="inherit"
        aria-expanded={open}
        onClick={() => {
          if (!open) {
            setValue(conditionsOf(round, unit));
            seen.see(view);
          }
          setOpen(!open);
        }}
      >
        {round.settled === "no"
          ? "▲ Not settled"
          : `Settled: ${settledWords[round.settled]}`}
        {round.spot && `, ${round.spot}`}
        {round.hubMarked && ", hubs marked"}
        {round.floorSurveyed ? ", floor surveyed" : ", floor not surveyed"}
        {open ? " ▲" : " ▼"}
      </Button>
      {open && (
        <Box sx={{ border: 1, borderColor: "divider", p: 1.5 }}>
          <ConditionsFields value={value} onChange={setValue} />
          <BothWays
            problem={problem}
            mine={conditionsLines(value)}
            theirs={(fresh) =>
              conditionsLines(conditionsOf(roundOf(fresh), unit))
            }
            onTheirs={(fresh) => {
              setValue(conditionsOf(roundOf(fresh), unit));
              seen.see(fresh);
              setProblem(null);
            }}
            onMine={(fresh) => keep(fresh)}
          />
          <Press
            variant="outlined"
            disabled={view.versions[round.id] === undefined}
            act={() => keep()}
          >
            Keep these conditions
          </Press>
        </Box>
      )}
    </Box>
  );
}
