import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import Typography from "@mui/material/Typography";
import { Link as To } from "react-router";
import type { Schemas } from "../../api/client";
import { currentStage } from "../../api/document";
import { useJob } from "../../api/job";
import { ProblemNote } from "../../shared/ProblemNote";
import { FoundRow } from "../finding/FoundRow";
import { noRules } from "../finding/rules";
import { useFinding } from "../finding/useFinding";
import { CheckProblem, Found } from "./Check";
import { nextCheck } from "./pattern";
import type { CheckNotes } from "./useCheckNotes";

/** Where each act is done, by the words of its button. */
const ways: Record<
  Schemas["NextActKind"],
  { to: string; press: string } | null
> = {
  accept: { to: "hand-over", press: "Hand it over" },
  closeWork: { to: "fit", press: "Close it on the card" },
  settleAndRead: { to: "walk-round", press: "Roll it and read again" },
  readAgain: { to: "walk-round", press: "Read it again" },
  check: null,
  mend: { to: "walk-round", press: "It is right now: read again" },
  secondPass: { to: "plan?find", press: "Change the stack: a second pass" },
  measureLater: { to: "hand-over", press: "Hand it over, and have it back" },
};

/** The one thing that is best done next, and why. */
export function Next({
  proof,
  notes,
}: {
  proof: Schemas["PlanProof"];
  notes: CheckNotes;
}) {
  const job = useJob().document.job.id;
  const { next } = proof;
  const way = ways[next.kind];
  const check = nextCheck(proof);
  const cause = proof.causes?.classes
    .flatMap((c) => c.causes)
    .find((c) => c.kind === check?.kind && c.where === check.where);
  const offered = proof.overall === "notReached" && next.kind !== "accept";
  return (
    <Box
      component="section"
      aria-label="What to do next"
      sx={{
        borderLeft: 6,
        borderColor: "primary.main",
        pl: 2,
        py: 0.5,
        my: 1.5,
        maxWidth: 820,
      }}
    >
      <Typography variant="h2" sx={{ mt: 0 }}>
        Next: {next.says}
      </Typography>
      <Typography sx={{ mb: 1 }}>{next.why}</Typography>
      {check && (
        <Found check={check} said={cause?.said ?? ""} notes={notes} latest />
      )}
      <CheckProblem notes={notes} />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        {way && (
          <Button
            component={To}
            to={`/jobs/${job}/${way.to}`}
            variant="contained"
          >
            {way.press}
          </Button>
        )}
        {offered && next.kind !== "secondPass" && (
          <Button
            component={To}
            to={`/jobs/${job}/plan?find`}
            variant="outlined"
          >
            {ways.secondPass?.press}
          </Button>
        )}
        {next.kind !== "accept" && next.kind !== "measureLater" && (
          <Button
            component={To}
            to={`/jobs/${job}/hand-over`}
            variant="outlined"
          >
            Accept it and hand over
          </Button>
        )}
      </Box>
      {next.kind === "secondPass" && <WhatItTakes />}
    </Box>
  );
}

/** The change that touches fewest pieces: its chance, its hours, what is opened again. Looked for when asked. */
function WhatItTakes() {
  const d = useJob().document;
  const search = useFinding(d.job.id);
  const stage = currentStage(d);
  const found = search.findings?.found[0] ?? search.findings?.best;
  return (
    <Box sx={{ mt: 1 }}>
      {!search.findings && (
        <Button
          onClick={() =>
            void search.start(stage.id, {
              ...noRules,
              order: "leastWork",
              sidesDiffer:
                d.job.target.noLean || d.job.target.evenDiagonals === true,
            })
          }
        >
          What would it take?
        </Button>
      )}
      {search.running && !found && <LinearProgress aria-label="Looking" />}
      <ProblemNote problem={search.problem} />
      {search.findings?.cannot && (
        <Typography role="status">▲ {search.findings.cannot}</Typography>
      )}
      {found && (
        <Box component="ol" sx={{ listStyle: "none", p: 0, m: 0 }}>
          <FoundRow
            found={found}
            title="Least work"
            onBand={() => {
              // The band shows what was proved here.
            }}
          />
        </Box>
      )}
      {search.findings &&
        !search.running &&
        !found &&
        !search.findings.cannot && (
          <Typography role="status">
            Nothing on the shelf makes it: let parts be bought, or ask for less.
          </Typography>
        )}
    </Box>
  );
}
