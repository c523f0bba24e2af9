import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Press } from "../../shared/Press";
import { api, must } from "../../api/client";
import { useJob, useSend } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";

function useHistory(enabled: boolean) {
  const job = useJob().document.job.id;
  return useQuery({
    queryKey: ["history", job],
    queryFn: async () =>
      must(
        await api.GET("/api/jobs/{job}/history", { params: { path: { job } } }),
      ),
    enabled,
    staleTime: 0,
  });
}

/** Takes a change of the last hour back. */
function useTakeBack() {
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const takeBack = async (line: { id: string; kind: string }) => {
    setProblem(null);
    try {
      await send(
        { kind: "takeBack", change: line.id },
        `taking back: ${line.kind}`,
      );
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return { takeBack, problem };
}

/** Who did what, newest first; what is younger than an hour can be taken back. */
export function History() {
  const [open, setOpen] = useState(false);
  const history = useHistory(open);
  const { takeBack, problem } = useTakeBack();
  return (
    <Box
      component="details"
      sx={{ mt: 2.5 }}
      onToggle={(e) => {
        setOpen(e.currentTarget.open);
      }}
    >
      <Typography variant="h2" component="summary" sx={{ py: 1.5 }}>
        History
      </Typography>
      <ProblemNote problem={problem} />
      <Box component="ol" sx={{ my: 0, maxHeight: 360, overflowY: "auto" }}>
        {history.data?.map((h) => (
          <li key={h.id}>
            {h.at.slice(0, 16).replace("T", " ")} UTC, {h.person}:{" "}
            {h.takenBack ? <s>{h.kind}</s> : h.kind}
            {h.takenBack && " (taken back)"}
            {h.canTakeBack && (
              <Press
                size="small"
                aria-label={`Take back: ${h.kind}, ${h.at.slice(11, 19)}`}
                act={() => takeBack(h)}
              >
                Take back
              </Press>
            )}
          </li>
        ))}
      </Box>
    </Box>
  );
}

/** One press takes the newest change of the last hour back. */
export function TakeBackLast() {
  const history = useHistory(true);
  const { takeBack, problem } = useTakeBack();
  const last = history.data?.find((h) => h.canTakeBack);
  return (
    <>
      {last && (
        <Press size="small" color="inherit" act={() => takeBack(last)}>
          Take back: {last.kind}
        </Press>
      )}
      <ProblemNote problem={problem} />
    </>
  );
}
