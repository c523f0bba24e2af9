import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { trialKey } from "./evidence";

const size = 420;
const pad = 52;

/** Measured rise against the claim: on the slanting line a box tells the truth. */
export function ClaimPlot({
  claims,
  chosen,
  onChoose,
}: {
  claims: Schemas["ClaimView"][];
  chosen: string | null;
  onChoose: (key: string | null) => void;
}) {
  const inks = useInks();
  const unit = useUnit();
  const points = claims.map((c) => ({
    of: c,
    claim: c.claimMm,
    measured: c.measuredMm,
    u: c.measuredUMm,
  }));
  const step = unit === "in" ? 25.4 : 20;
  const most =
    Math.ceil(
      Math.max(
        step,
        ...points.map((p) => Math.max(p.claim, p.measured + 2 * p.u)),
      ) / step,
    ) * step;
  const at = (mm: number) => (mm / most) * (size - pad - 16);
  const x = (mm: number) => pad + at(Math.max(0, mm));
  const y = (mm: number) => size - pad - at(Math.max(0, mm));
  const marks = Array.from(
    { length: Math.round(most / step) + 1 },
    (_, i) => i * step,
  );
  const one = points.find((p) => trialKey(p.of) === chosen);
  return (
    <Box component="section" aria-label="Claimed against measured">
      <Typography variant="h2">Claimed against measured</Typography>
      <svg
        viewBox={`0 0 ${size.toString()} ${size.toString()}`}
        role="img"
        aria-label={`${points.length.toString()} lifts: ${points
          .slice(-20)
          .map(
            (p) =>
              `${p.of.said} ${p.of.axle}, claimed ${showText(p.claim, unit)}, measured ${showText(p.measured, unit)}`,
          )
          .join("; ")}`}
        style={{ width: "100%", maxWidth: size }}
      >
        {marks.map((mm) => (
          <g key={mm}>
            <line
              x1={x(0)}
              x2={x(most)}
              y1={y(mm)}
              y2={y(mm)}
              stroke={inks.soft}
              strokeWidth={0.5}
              opacity={0.5}
            />
            <line
              x1={x(mm)}
              x2={x(mm)}
              y1={y(0)}
              y2={y(most)}
              stroke={inks.soft}
              strokeWidth={0.5}
              opacity={0.5}
            />
            <text
              x={pad - 6}
              y={y(mm) + 4.5}
              textAnchor="end"
              fontSize={13}
              fill={inks.ink}
            >
              {showText(mm, unit)}
            </text>
            <text
              x={x(mm)}
              y={size - pad + 18}
              textAnchor="middle"
              fontSize={13}
              fill={inks.ink}
            >
              {showText(mm, unit)}
            </text>
          </g>
        ))}
        <line
          x1={x(0)}
          y1={y(0)}
          x2={x(most)}
          y2={y(most)}
          stroke={inks.ink}
          strokeDasharray="7 5"
        />
        <text
          x={x(most) - 8}
          y={y(most) + 26}
          textAnchor="end"
          fontSize={13}
          fill={inks.ink}
        >
          as claimed
        </text>
        <text
          x={(size + pad) / 2}
          y={size - 14}
          textAnchor="middle"
          fontSize={14}
          fill={inks.ink}
        >
          the box says
        </text>
        <text
          transform={`translate(13 ${(size / 2).toString()}) rotate(-90)`}
          textAnchor="middle"
          fontSize={14}
          fill={inks.ink}
        >
          the tape says
        </text>
        {points.map((p) => {
          const key = trialKey(p.of);
          const on = key === chosen;
          const ink = on ? inks.now : inks.planned;
          return (
            <g
              key={key}
              onMouseEnter={() => {
                onChoose(key);
              }}
              onMouseLeave={() => {
                onChoose(null);
              }}
            >
              <line
                x1={x(p.claim)}
                x2={x(p.claim)}
                y1={y(p.measured - 2 * p.u)}
                y2={y(p.measured + 2 * p.u)}
                stroke={ink}
                strokeWidth={2}
              />
              {p.of.axle === "front" ? (
                <circle
                  cx={x(p.claim)}
                  cy={y(p.measured)}
                  r={on ? 9 : 6.5}
                  fill={ink}
                />
              ) : (
                <rect
                  x={x(p.claim) - (on ? 8 : 6)}
                  y={y(p.measured) - (on ? 8 : 6)}
                  width={on ? 16 : 12}
                  height={on ? 16 : 12}
                  fill={ink}
                />
              )}
            </g>
          );
        })}
      </svg>
      <Typography
        color="text.secondary"
        sx={{ fontSize: "0.9rem", minHeight: "2.6em" }}
      >
        {one
          ? `${one.of.said}, ${one.of.axle}: ${one.of.parts.join(" + ")} claims ${showText(one.claim, unit)} and lifted ${showText(one.measured, unit)}.`
          : "● front, ■ rear, with the ± of the tape. Point at one, or at a line of the table."}
      </Typography>
    </Box>
  );
}
