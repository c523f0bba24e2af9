import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Length } from "../../shared/Length";
import { useInks } from "../../shared/theme";

/** The best run of an exercise, to be watched step by step. */
export function BestRun({ steps }: { steps: Schemas["BestStep"][] }) {
  const [at, setAt] = useState(0);
  const step = steps[at];
  if (!step) {
    return null;
  }
  return (
    <Box component="section" aria-label="The best run">
      <Typography variant="h2">The best run, step by step</Typography>
      <Stands lips={step.lips} first={steps[0]?.lips ?? step.lips} />
      <Box role="status" sx={{ minHeight: 130 }}>
        <Typography color="text.secondary">
          {at + 1} of {steps.length}
          {step.minutes > 0 && ` · ${Math.round(step.minutes).toString()} min`}
        </Typography>
        <Typography sx={{ fontWeight: 650 }}>{step.said}</Typography>
        {step.found !== null && <Typography>{step.found}</Typography>}
      </Box>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button
          variant="outlined"
          color="inherit"
          disabled={at === 0}
          onClick={() => {
            setAt(at - 1);
          }}
        >
          Back
        </Button>
        <Button
          variant="contained"
          disabled={at === steps.length - 1}
          onClick={() => {
            setAt(at + 1);
          }}
        >
          Next step
        </Button>
      </Box>
    </Box>
  );
}

/** The vehicle from its left side: lips over hubs, what moved drawn four times larger, and the four heights in numbers. */
function Stands({ lips, first }: { lips: number[]; first: number[] }) {
  const inks = useInks();
  const mean = (of: number[], a: number, b: number) =>
    ((of[a] ?? 0) + (of[b] ?? 0)) / 2;
  const base = mean(first, 0, 1);
  const y = (mm: number) => 62 - (mm - base) * 0.35;
  const [front, rear] = [mean(lips, 0, 1), mean(lips, 2, 3)];
  const names = ["Left front", "Right front", "Left rear", "Right rear"];
  return (
    <>
      <svg viewBox="0 0 400 150" width="100%" aria-hidden>
        <line x1={0} x2={400} y1={138} y2={138} stroke={inks.soft} />
        {[80, 320].map((x) => (
          <circle
            key={x}
            cx={x}
            cy={112}
            r={26}
            fill="none"
            stroke={inks.now}
            strokeWidth={3}
          />
        ))}
        <line
          x1={40}
          x2={360}
          y1={y(mean(first, 0, 1)) - 10}
          y2={y(mean(first, 2, 3)) - 10}
          stroke={inks.before}
          strokeDasharray="2 5"
          strokeWidth={2}
        />
        <line
          x1={40}
          x2={360}
          y1={y(front) - 10}
          y2={y(rear) - 10}
          stroke={inks.now}
          strokeWidth={5}
        />
      </svg>
      <Box
        component="dl"
        sx={{
          display: "grid",
          gridTemplateColumns: "auto auto auto auto",
          columnGap: 1.5,
          m: 0,
          mb: 1,
        }}
      >
        {[0, 2, 1, 3].map((i) => (
          <Box key={i} sx={{ display: "contents" }}>
            <dt>{names[i]}</dt>
            <Box component="dd" sx={{ m: 0, fontWeight: 650 }}>
              <Length mm={lips[i] ?? 0} />
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}
