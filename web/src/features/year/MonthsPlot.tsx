import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";

const [width, height] = [520, 150];
const [left, foot, head] = [26, 22, 10];
const names = ["J", "F", "M", "A", "M", "J", "J", "A", "S", "O", "N", "D"];

/** Jobs of each month: those that were right full, those that missed hatched, those that nobody can tell as an outline. */
export function MonthsPlot({ months }: { months: Schemas["YearMonth"][] }) {
  const inks = useInks();
  const most = Math.max(4, ...months.map((m) => m.right + m.missed + m.untold));
  const column = (width - left) / 12;
  const high = (n: number) => (n / most) * (height - foot - head);
  const sum = (of: "right" | "missed" | "untold") =>
    months.reduce((n, m) => n + m[of], 0);
  return (
    <svg
      viewBox={`0 0 ${width.toString()} ${(height + 22).toString()}`}
      role="img"
      aria-label={`Jobs by month: ${sum("right").toString()} right, ${sum("missed").toString()} missed, ${sum("untold").toString()} that nobody can tell`}
      style={{ width: "100%", maxWidth: width }}
    >
      <defs>
        <pattern
          id="missed"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <path d="M0 0V6" stroke={inks.stop} strokeWidth={3} />
        </pattern>
      </defs>
      {[0, most].map((n) => (
        <g key={n}>
          <path
            d={`M${left.toString()} ${(height - foot - high(n)).toString()}H${width.toString()}`}
            stroke={inks.soft}
            strokeWidth={n === 0 ? 1.5 : 0.5}
          />
          <text
            x={left - 6}
            y={height - foot - high(n) + 4}
            textAnchor="end"
            fontSize={12}
            fill={inks.ink}
          >
            {n}
          </text>
        </g>
      ))}
      {months.map((m) => {
        const x = left + (m.month - 1) * column + column * 0.2;
        const parts = [
          [m.right, inks.good, "none"],
          [m.missed, "url(#missed)", inks.stop],
          [m.untold, "none", inks.soft],
        ] as const;
        let y = height - foot;
        return (
          <g key={m.month}>
            {parts.map(([n, fill, stroke]) => {
              y -= high(n);
              return n === 0 ? null : (
                <rect
                  key={fill}
                  x={x}
                  y={y}
                  width={column * 0.6}
                  height={high(n)}
                  fill={fill}
                  stroke={stroke}
                  strokeWidth={1.5}
                />
              );
            })}
            <text
              x={x + column * 0.3}
              y={height - 6}
              textAnchor="middle"
              fontSize={12}
              fill={inks.ink}
            >
              {names[m.month - 1]}
            </text>
          </g>
        );
      })}
      {(
        [
          [inks.good, "none", "right"],
          ["url(#missed)", inks.stop, "missed"],
          ["none", inks.soft, "nobody can tell"],
        ] as const
      ).map(([fill, stroke, said], i) => (
        <g
          key={said}
          transform={`translate(${(left + i * 110).toString()} ${(height + 4).toString()})`}
        >
          <rect width={12} height={12} fill={fill} stroke={stroke} />
          <text x={18} y={11} fontSize={12} fill={inks.ink}>
            {said}
          </text>
        </g>
      ))}
    </svg>
  );
}
