import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { v7 } from "uuid";
import { useJob, useSend } from "../../api/job";
import { dayAndTime } from "../../shared/time";
import { Press } from "../../shared/Press";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { lastWork, mayHaveBeenMoved } from "./moved";

/** After a long break with the vehicle in the air: somebody looks at every support before the next step. */
export function Moved({ plan }: { plan: string }) {
  const view = useJob();
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const [now] = useState(() => Date.now());
  const last = lastWork(view.document, plan);
  if (last === null || !mayHaveBeenMoved(view.fitting.hangs, last, now)) {
    return null;
  }
  return (
    <Box
      component="section"
      role="alert"
      sx={{ border: 2, borderColor: "error.main", p: 1, mb: 1 }}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        <Box sx={{ flex: "1 1 240px" }}>
          <Typography variant="h2">Has it been moved?</Typography>
          <Typography>
            Nobody has worked on it since{" "}
            {dayAndTime(new Date(last).toISOString())}: look at every support on
            the board.
          </Typography>
        </Box>
        <Press
          variant="contained"
          color="error"
          act={async () => {
            setProblem(null);
            try {
              await send(
                { kind: "lookAtBoard", id: v7() },
                "supports looked at again",
              );
            } catch (e) {
              setProblem(asError(e));
            }
          }}
        >
          It stands as shown
        </Press>
      </Box>
      <ProblemNote problem={problem} />
    </Box>
  );
}
