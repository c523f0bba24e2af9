import Box from "@mui/material/Box";
import { useRef, useState } from "react";
import { v7 } from "uuid";
import { api, must } from "../../api/client";
import { useMe } from "../../api/job";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";

/** Makes an exercise of a finished job: as it was found, without its names. */
export function PractiseThis({ job }: { job: string }) {
  const [problem, setProblem] = useState<Error | null>(null);
  const key = useRef(v7());
  if (useMe().data?.role === "viewer") {
    return null;
  }
  const begin = async () => {
    setProblem(null);
    try {
      const { id } = must(
        await api.POST("/api/practice", {
          body: { id: key.current, course: "ownJob", level: 1, fromJob: job },
        }),
      );
      window.location.assign(`/jobs/${id}/plan`);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <Box>
      <Press act={begin}>Practise on this job</Press>
      <ProblemNote problem={problem} />
    </Box>
  );
}
