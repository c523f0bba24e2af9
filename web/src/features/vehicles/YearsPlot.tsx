import Box from "@mui/material/Box";
import { useTheme } from "@mui/material/styles";
import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { dayOfYear } from "../../shared/time";
import { useWidth } from "../stance/useWidth";
import { marks, scale, tyreSpans } from "./years";

const plot = 300;
/** Room for a row of tyres; those that follow stand in two rows, so that no two sizes lie over each other. */
const row = 24;
const left = 74;
const right = 20;
const top = 34;
const bottom = 34;

/** Heights over the years, front and rear, with their ± and the stages between which something else was fitted. */
export function YearsPlot({ years }: { years: Schemas["VehicleYears"] }) {
  const unit = useUnit();
  const { palette } = useTheme();
  const [box, width] = useWidth();
  const points = years.rounds.flatMap((r) =>
    (["front", "rear"] as const).flatMap((axle) => {
      const { value, u } = r[axle];
      return value === null
        ? []
        : [{ axle, at: Date.parse(r.at), value, u: 2 * (u ?? 0), round: r }];
    }),
  );
  if (points.length === 0) {
    return (
      <Box sx={{ mt: 2 }}>
        No height was read of it yet from the {years.datum}.
      </Box>
    );
  }
  const times = points.map((p) => p.at);
  const tyres = tyreSpans(years.rounds);
  const below = Math.min(tyres.length, 2) * row;
  const height = plot + below;
  const [low, high] = [
    Math.min(...points.map((p) => p.value - p.u)) - 8,
    Math.max(...points.map((p) => p.value + p.u)) + 8,
  ];
  const x = scale(
    Math.min(...times),
    Math.max(...times),
    left + 12,
    width - right - 12,
  );
  const y = scale(low, high, plot - bottom, top);
  const ink = palette.text.primary;
  const soft = palette.text.secondary;
  // A stage is marked where it began to be driven; what was noted of before the shop lies outside.
  const stages = years.stages.filter(
    (s) => Date.parse(s.openedAt) >= Math.min(...times),
  );
  const look = {
    front: { color: palette.primary.main, dash: undefined },
    rear: { color: ink, dash: "7 4" },
  };
  return (
    <Box ref={box} sx={{ mt: 2, width: "100%" }}>
      {width > 0 && (
        <svg
          width={width}
          height={height}
          role="img"
          aria-label={`Mean fender heights from the ${years.datum} over the years`}
        >
          {marks(low, high, unit === "in" ? 25.4 : 20).map((mm) => (
            <g key={mm}>
              <path
                d={`M ${String(left)} ${String(y(mm))} H ${String(width - right)}`}
                stroke={palette.divider}
              />
              <text
                x={left - 8}
                y={y(mm) + 5}
                textAnchor="end"
                fontSize={14}
                fill={soft}
              >
                {showText(mm, unit)}
              </text>
            </g>
          ))}
          {stages.map((s, i) => (
            <g key={s.stageId}>
              <path
                d={`M ${String(x(Date.parse(s.openedAt)))} ${String(top - 8)} V ${String(plot - bottom)}`}
                stroke={soft}
                strokeDasharray="2 4"
              />
              <text
                x={Math.min(x(Date.parse(s.openedAt)) + 4, width - 130)}
                y={top - 12 + (i % 2) * 14}
                fontSize={14}
                fill={soft}
              >
                {s.name}
              </text>
            </g>
          ))}
          {(["front", "rear"] as const).map((axle) => {
            const mine = points.filter((p) => p.axle === axle);
            const last = mine.at(-1);
            return (
              <g key={axle} stroke={look[axle].color} fill="none">
                {mine.map((p, i) => {
                  const next = mine[i + 1];
                  // Between stages something else was fitted: no line joins them.
                  return next && next.round.stageId === p.round.stageId ? (
                    <path
                      key={p.round.walkRoundId}
                      strokeWidth={2.5}
                      strokeDasharray={look[axle].dash}
                      d={`M ${String(x(p.at))} ${String(y(p.value))} L ${String(x(next.at))} ${String(y(next.value))}`}
                    />
                  ) : null;
                })}
                {mine.map((p) => (
                  <g key={p.round.walkRoundId}>
                    <path
                      d={`M ${String(x(p.at))} ${String(y(p.value - p.u))} V ${String(y(p.value + p.u))}`}
                      strokeWidth={1.5}
                    />
                    {axle === "front" ? (
                      <circle
                        cx={x(p.at)}
                        cy={y(p.value)}
                        r={5}
                        fill={
                          p.round.decides
                            ? look[axle].color
                            : palette.background.default
                        }
                      />
                    ) : (
                      <rect
                        x={x(p.at) - 4.5}
                        y={y(p.value) - 4.5}
                        width={9}
                        height={9}
                        fill={
                          p.round.decides
                            ? look[axle].color
                            : palette.background.default
                        }
                      />
                    )}
                  </g>
                ))}
                {last && (
                  <text
                    x={x(last.at) - 12}
                    y={y(last.value) + (axle === "front" ? 20 : -10)}
                    textAnchor="end"
                    fontSize={15}
                    fontWeight={650}
                    stroke="none"
                    fill={look[axle].color}
                  >
                    {axle} {showText(last.value, unit)}
                  </text>
                )}
              </g>
            );
          })}
          {tyres.map((t, i) => {
            const [from, to] = [x(Date.parse(t.from)), x(Date.parse(t.to))];
            const at = plot - bottom + 14 + (i % 2) * row;
            // Where it was first seen late, its size is written before it.
            const late = from > width - right - 110;
            return (
              <g key={t.from}>
                <path
                  d={`M ${String(from)} ${String(at - 5)} V ${String(at + 5)} M ${String(from)} ${String(at)} H ${String(Math.max(to, from + 4))} M ${String(to)} ${String(at - 5)} V ${String(at + 5)}`}
                  stroke={soft}
                  strokeWidth={2}
                />
                <text
                  x={late ? from - 6 : from + 6}
                  y={at + 16}
                  textAnchor={late ? "end" : "start"}
                  fontSize={14}
                  fill={soft}
                >
                  {t.sizes}
                </text>
              </g>
            );
          })}
          {tyres.length > 0 && (
            <text
              x={left - 8}
              y={plot - bottom + 19}
              textAnchor="end"
              fontSize={14}
              fill={soft}
            >
              tyres
            </text>
          )}
          {[Math.min(...times), Math.max(...times)].map((at, i) => (
            <text
              key={at}
              x={x(at)}
              y={height - 10}
              textAnchor={i === 0 ? "start" : "end"}
              fontSize={14}
              fill={soft}
            >
              {dayOfYear(new Date(at).toISOString())}
            </text>
          ))}
        </svg>
      )}
      <Box sx={{ color: "text.secondary", fontSize: "0.9rem" }}>
        Mean of both lips from the {years.datum}. ● — front, ■ – – rear; bars
        are ± at k = 2; hollow marks decide nothing. Where something else was
        fitted the line is broken.
        {tyres.length > 0 &&
          " Below: the tyres on which it was seen, as they were noted."}
      </Box>
    </Box>
  );
}
