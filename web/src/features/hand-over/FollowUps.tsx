import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import { Press } from "../../shared/Press";
import { useJob, useSend } from "../../api/job";
import { asError, ProblemNote } from "../../shared/ProblemNote";
import { due } from "./due";

/** What is to come after the hand-over, and what of it is done. */
export function FollowUps() {
  const d = useJob().document;
  const send = useSend();
  const [problem, setProblem] = useState<Error | null>(null);
  const done = async (id: string, what: string) => {
    try {
      await send({ kind: "finishFollowUp", id: id, note: null }, what);
    } catch (e) {
      setProblem(asError(e));
    }
  };
  return (
    <>
      <Typography sx={{ mt: 1 }}>To come:</Typography>
      <Box component="ul" sx={{ listStyle: "none", p: 0 }}>
        {d.followUps.map((f) => (
          <Box
            component="li"
            key={f.id}
            sx={{ display: "flex", alignItems: "center", gap: 1, my: 0.5 }}
          >
            <Box sx={{ flex: 1 }}>
              {f.doneAt ? "✓ " : "○ "}
              <b>{f.what}</b>
              <Box sx={{ color: "text.secondary" }}>
                {due(f)}. {f.why}
              </Box>
            </Box>
            {!f.doneAt && (
              <Press
                variant="outlined"
                aria-label={`Done: ${f.what}`}
                act={() => done(f.id, f.what)}
              >
                Done
              </Press>
            )}
          </Box>
        ))}
      </Box>
      <ProblemNote problem={problem} />
    </>
  );
}
