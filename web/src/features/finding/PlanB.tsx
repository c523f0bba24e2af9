import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, must, type Schemas } from "../../api/client";
import { useJob } from "../../api/job";
import { ResultLength, useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { oddsSays } from "../../shared/chance";

/** What to do when the plan lands high or low: worked out before the first bolt, from the parts at hand. */
export function PlanB({ plan }: { plan: Schemas["Plan"] }) {
  const view = useJob();
  const job = view.document.job.id;
  const unit = useUnit();
  const [open, setOpen] = useState(false);
  const cases = useQuery({
    queryKey: [
      "plan-b",
      job,
      plan.id,
      view.versions[plan.id],
      view.versions[job],
    ],
    queryFn: async () =>
      must(
        await api.GET("/api/jobs/{job}/plans/{id}/plan-b", {
          params: { path: { job, id: plan.id } },
        }),
      ),
    enabled: open,
  });
  return (
    <Box component="section" aria-label="If it lands off" sx={{ mt: 1.5 }}>
      <Button
        aria-expanded={open}
        variant="outlined"
        onClick={() => {
          setOpen(!open);
        }}
      >
        If it lands off
      </Button>
      {open && cases.data?.length === 0 && (
        <Typography>
          There is no plan B before there is a prediction.
        </Typography>
      )}
      {open && (
        <Box component="ul" sx={{ listStyle: "none", p: 0, my: 1 }}>
          {cases.data?.map((b) => (
            <Box
              component="li"
              key={`${b.axle} ${b.offMm.toString()}`}
              sx={{ py: 0.75, borderTop: 1, borderColor: "divider" }}
            >
              <Typography>
                <b>
                  {b.axle === "front" ? "Front" : "Rear"}{" "}
                  {showText(Math.abs(b.offMm), unit)}{" "}
                  {b.offMm > 0 ? "high" : "low"}:
                </b>{" "}
                {b.staysGood
                  ? "still as wanted, leave it."
                  : b.stack
                    ? b.touches.join(" · ")
                    : "nothing at hand makes it better. Have another part ready."}
              </Typography>
              {b.stack && (
                <Typography component="div" color="text.secondary">
                  then rake{" "}
                  <ResultLength result={b.stack.prediction.rake} signed />,{" "}
                  {oddsSays(b.stack.chance)} to land
                </Typography>
              )}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
