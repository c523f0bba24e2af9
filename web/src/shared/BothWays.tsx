import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import type { JobView } from "../api/client";
import { useJob, useRefreshJob } from "../api/job";
import { Problem } from "../api/problem";
import { Press } from "./Press";
import { ProblemNote } from "./ProblemNote";
import { timeOfDay } from "./time";

/** What a form says, line by line: label and text. */
export type Lines = Record<string, string>;

/** A problem of a form; where somebody else was first, what both say and the choice between them. */
export function BothWays({
  problem,
  mine,
  theirs,
  onTheirs,
  onMine,
}: {
  problem: Error | null;
  mine: Lines;
  theirs: (fresh: JobView) => Lines;
  onTheirs: (fresh: JobView) => void;
  onMine: (fresh: JobView) => Promise<unknown>;
}) {
  const job = useJob().document.job.id;
  const refresh = useRefreshJob();
  const stale =
    problem instanceof Problem && problem.field === "version" ? problem : null;
  const { data: fresh } = useQuery({
    queryKey: ["both ways", job, stale?.at],
    queryFn: refresh,
    enabled: stale !== null,
    gcTime: 0,
  });
  if (!stale || !fresh) {
    return <ProblemNote problem={problem} />;
  }
  return (
    <Both
      by={stale.by}
      at={stale.at}
      mine={mine}
      theirs={theirs(fresh)}
      onTheirs={() => {
        onTheirs(fresh);
      }}
      onMine={() => onMine(fresh)}
    />
  );
}

/** Who was first, what both say where they differ, and the choice. */
export function Both({
  by,
  at,
  about,
  mine,
  theirs,
  onTheirs,
  onMine,
}: {
  by: string | null;
  at: string | null;
  /** What it was about, where that cannot be seen from the place. */
  about?: string;
  mine: Lines;
  theirs: Lines;
  onTheirs: () => void;
  onMine: () => Promise<unknown>;
}) {
  const apart = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])]
    .map((label) => ({
      label,
      mine: mine[label] ?? "",
      theirs: theirs[label] ?? "",
    }))
    .filter((l) => l.mine !== l.theirs);
  return (
    <Box
      role="alert"
      sx={{ border: 2, borderColor: "warning.main", p: 1.5, maxWidth: 620 }}
    >
      <Typography>
        ▲ {by ?? "Somebody else"} changed this first
        {at !== null && `, ${timeOfDay(at)}`}. Nothing of yours is stored yet.
        {about && ` It was ${about}.`}
      </Typography>
      {apart.length === 0 ? (
        <Typography>You both say the same.</Typography>
      ) : (
        <Box
          component="table"
          sx={{ my: 1, borderSpacing: "16px 2px", ml: -2 }}
        >
          <thead>
            <tr>
              <td />
              <Box component="th" scope="col" sx={{ textAlign: "left" }}>
                Yours
              </Box>
              <Box component="th" scope="col" sx={{ textAlign: "left" }}>
                Theirs
              </Box>
            </tr>
          </thead>
          <tbody>
            {apart.map((l) => (
              <tr key={l.label}>
                <Box
                  component="th"
                  scope="row"
                  sx={{ textAlign: "left", fontWeight: 400 }}
                >
                  {l.label}
                </Box>
                <td>{l.mine || "–"}</td>
                <td>{l.theirs || "–"}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        <Button variant="outlined" onClick={onTheirs}>
          Take theirs
        </Button>
        <Press variant="outlined" act={onMine}>
          Keep mine over theirs
        </Press>
      </Box>
    </Box>
  );
}
