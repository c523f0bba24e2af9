import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { bandAt } from "./evidence";

const [width, height] = [440, 190];
const [left, foot] = [58, 34];

/** Rise against thickness: the line with its band, what was believed before, and every job as a dot with its ±. */
export function LinePlot({ line }: { line: Schemas["LineView"] }) {
  const inks = useInks();
  const unit = useUnit();
  const trials = line.drawn;
  const step = unit === "in" ? 12.7 : 10;
  const most =
    Math.ceil(
      (Math.max(25.4, ...trials.map((t) => t.thicknessMm)) * 1.15) / step,
    ) * step;
  const high = Math.max(
    bandAt(line, most).high,
    ...trials.map((t) => t.freeRiseMm + 2 * t.freeRiseUMm),
  );
  const x = (mm: number) => left + (mm / most) * (width - left - 12);
  const y = (mm: number) =>
    height - foot - (Math.max(0, mm) / high) * (height - foot - 12);
  const at = Array.from({ length: 25 }, (_, i) => (most * i) / 24);
  const edge = (of: "low" | "high", points: number[]) =>
    points.map(
      (t) => `${x(t).toFixed(1)} ${y(bandAt(line, t)[of]).toFixed(1)}`,
    );
  return (
    <svg
      viewBox={`0 0 ${width.toString()} ${height.toString()}`}
      role="img"
      aria-label={`Rise against thickness: ${line.ratio.mean.toFixed(2)} of the thickness and ${showText(line.offsetMm.mean, unit)}; ${line.jobs.toString()} jobs`}
      style={{ width: "100%", maxWidth: width }}
    >
      <path
        d={`M${edge("high", at).join("L")}L${edge("low", at.toReversed()).join("L")}Z`}
        fill={inks.planned}
        fillOpacity={0.16}
      />
      <path
        d={`M${at.map((t) => `${x(t).toFixed(1)} ${y(line.offsetMm.mean + line.ratio.mean * t).toFixed(1)}`).join("L")}`}
        stroke={inks.planned}
        strokeWidth={2.5}
        fill="none"
      />
      <path
        d={`M${x(0).toFixed(1)} ${y(line.priorOffsetMm.mean).toFixed(1)}L${x(most).toFixed(1)} ${y(line.priorOffsetMm.mean + line.prior.mean * most).toFixed(1)}`}
        stroke={inks.soft}
        strokeDasharray="5 4"
        fill="none"
      />
      <path
        d={`M${left.toString()} 10V${(height - foot).toString()}H${(width - 10).toString()}`}
        stroke={inks.ink}
        fill="none"
      />
      {trials.map((t, i) => (
        <g key={i}>
          <line
            x1={x(t.thicknessMm)}
            x2={x(t.thicknessMm)}
            y1={y(t.freeRiseMm - 2 * t.freeRiseUMm)}
            y2={y(t.freeRiseMm + 2 * t.freeRiseUMm)}
            stroke={inks.now}
            strokeWidth={trials.length > 60 ? 0.7 : 2}
          />
          <circle
            cx={x(t.thicknessMm)}
            cy={y(t.freeRiseMm)}
            r={trials.length > 60 ? 3 : 5.5}
            fill={inks.now}
          />
        </g>
      ))}
      {[0, most / 2, most].map((t) => (
        <text
          key={t}
          x={x(t)}
          y={height - foot + 17}
          fontSize={13}
          textAnchor={t === most ? "end" : "middle"}
          fill={inks.ink}
        >
          {showText(t, unit)}
        </text>
      ))}
      <text x={left - 6} y={20} fontSize={13} textAnchor="end" fill={inks.ink}>
        {showText(high, unit)}
      </text>
      <text
        x={(width + left) / 2}
        y={height - 2}
        fontSize={13}
        textAnchor="middle"
        fill={inks.ink}
      >
        thickness; – – as believed before any job
      </text>
    </svg>
  );
}
