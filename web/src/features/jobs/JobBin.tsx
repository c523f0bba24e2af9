import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, must } from "../../api/client";
import { begunPlan } from "../../api/document";
import { useJob, useSend } from "../../api/job";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { Surely } from "../../shared/Surely";
import { dayOfYear } from "../../shared/time";

/** Throws this job away, as long as nothing was done to the vehicle. */
export function ThrowAway() {
  const { document: d, versions } = useJob();
  const send = useSend();
  const client = useQueryClient();
  const [problem, setProblem] = useState<Error | null>(null);
  if (begunPlan(d) || d.job.handedOverAt !== null || d.job.binnedAt) {
    return null;
  }
  return (
    <Box component="section" sx={{ mt: 3 }}>
      <Surely
        size="medium"
        says="Throw this job away"
        sure="Into the bin for 90 days: yes"
        act={async () => {
          setProblem(null);
          try {
            await send(
              { kind: "binJob", version: versions[d.job.id] ?? 0 },
              "throwing the job away",
            );
            await client.invalidateQueries({ queryKey: ["jobs", "bin"] });
          } catch (e) {
            setProblem(asError(e));
          }
        }}
      />
      <ProblemNote problem={problem} />
    </Box>
  );
}

/** Says on every page of a job that it was thrown away, and brings it back. */
export function InTheBin() {
  const { job } = useJob().document;
  const send = useSend();
  const client = useQueryClient();
  const [problem, setProblem] = useState<Error | null>(null);
  if (!job.binnedAt) {
    return null;
  }
  return (
    <Box sx={{ borderLeft: 4, borderColor: "warning.main", pl: 1.5, mb: 1.5 }}>
      <Typography sx={{ fontWeight: 600 }}>
        ▲ Thrown away {dayOfYear(job.binnedAt)}. Nothing of it is changed while
        it lies in the bin.
      </Typography>
      <Press
        variant="outlined"
        act={async () => {
          setProblem(null);
          try {
            await send({ kind: "restoreJob" }, "bringing the job back");
            await client.invalidateQueries({ queryKey: ["jobs", "bin"] });
          } catch (e) {
            setProblem(asError(e));
          }
        }}
      >
        Bring it back
      </Press>
      <ProblemNote problem={problem} />
    </Box>
  );
}

/** Jobs that were thrown away, for as long as they are offered to be brought back. */
export function JobBin() {
  const [open, setOpen] = useState(false);
  const bin = useQuery({
    queryKey: ["jobs", "bin"],
    queryFn: async () => must(await api.GET("/api/jobs/bin")),
    enabled: open,
  });
  return (
    <Box
      component="details"
      onToggle={(e) => {
        setOpen(e.currentTarget.open);
      }}
      sx={{ mt: 2 }}
    >
      <Typography
        component="summary"
        sx={{ cursor: "pointer", fontWeight: 600, minHeight: 48, pt: 1.5 }}
      >
        Thrown away
      </Typography>
      <Typography color="text.secondary">
        Kept for 90 days; open one to bring it back. What was handed over and
        has nothing to come is found by its owner, plate or vehicle.
      </Typography>
      {bin.data?.length === 0 && <Typography>Nothing.</Typography>}
      <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
        {bin.data?.map((j) => (
          <li key={j.jobId}>
            <Link to={`/jobs/${j.jobId}/take-in`}>
              {j.make} {j.name} {j.plate}, {j.owner}
            </Link>
            , {dayOfYear(j.binnedAt)}
          </li>
        ))}
      </Box>
    </Box>
  );
}
