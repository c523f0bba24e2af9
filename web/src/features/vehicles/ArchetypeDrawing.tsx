import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";

export interface Place {
  name: string;
  y: number;
  z: number;
}

const margin = 26;
const size = 340;

/** One side of a suspension, to scale: bars, the spring as a zigzag, the wheel, and the numbered points. */
export function ArchetypeDrawing({
  archetype,
  places,
  chosen,
}: {
  archetype: Schemas["Archetype"];
  places: Place[];
  chosen: string | null;
}) {
  const inks = useInks();
  const by = new Map(places.map((p) => [p.name, p]));
  const wheel = by.get("wheelCentre") ?? { y: 0, z: 0 };
  const along = archetype.view === "along";
  const left = Math.min(along ? -wheel.z : 0, ...places.map((p) => p.y));
  const right = Math.max(
    ...places.map((p) => p.y),
    along ? wheel.z : wheel.y + 130,
  );
  const top = Math.max(...places.map((p) => p.z), 2 * wheel.z);
  const scale = Math.min(
    (size - 2 * margin) / (right - left),
    (size - 2 * margin) / top,
  );
  const ground = margin + top * scale;
  const x = (p: { y: number }) => margin + (p.y - left) * scale;
  const y = (p: { z: number }) => ground - p.z * scale;
  const bar = (from: Place, to: Place) =>
    `M ${x(from).toFixed(1)} ${y(from).toFixed(1)} L ${x(to).toFixed(1)} ${y(to).toFixed(1)}`;
  return (
    <svg
      viewBox={`0 0 ${size.toString()} ${(ground + 14).toFixed(0)}`}
      role="img"
      aria-label={
        along
          ? "One side seen from the side: where the points lie"
          : "One side seen from the front: where the points lie"
      }
      style={{ width: "100%", maxWidth: size }}
    >
      <line
        x1={0}
        y1={ground}
        x2={size}
        y2={ground}
        stroke={inks.ink}
        strokeWidth={2}
      />
      {along ? (
        <circle
          cx={x(wheel)}
          cy={y(wheel)}
          r={wheel.z * scale}
          fill="none"
          stroke={inks.soft}
          strokeWidth={1.5}
        />
      ) : (
        <>
          <line
            x1={x({ y: 0 })}
            y1={12}
            x2={x({ y: 0 })}
            y2={ground}
            stroke={inks.soft}
            strokeDasharray="6 4"
          />
          <text x={x({ y: 0 }) + 5} y={22} fill={inks.ink} fontSize={13}>
            middle
          </text>
          <rect
            x={x({ y: wheel.y - 105 })}
            y={y({ z: 2 * wheel.z })}
            width={210 * scale}
            height={2 * wheel.z * scale}
            rx={14}
            fill="none"
            stroke={inks.soft}
            strokeWidth={1.5}
          />
        </>
      )}
      {archetype.bars.map((b) => {
        const [from, to] = [by.get(b.from), by.get(b.to)];
        return (
          from &&
          to && (
            <path
              key={`${b.from} ${b.to}`}
              d={
                b.spring
                  ? spring(x(from), y(from), x(to), y(to))
                  : bar(from, to)
              }
              fill="none"
              stroke={inks.ink}
              strokeWidth={b.spring ? 2.5 : 4}
              strokeLinejoin="round"
            />
          )
        );
      })}
      {places.map((p, i) => (
        <g key={p.name}>
          <circle
            cx={x(p)}
            cy={y(p)}
            r={11}
            fill={chosen === p.name ? inks.now : inks.paper}
            stroke={inks.ink}
            strokeWidth={2}
          />
          <text
            x={x(p)}
            y={y(p) + 4.5}
            textAnchor="middle"
            fontSize={13}
            fontWeight={700}
            fill={chosen === p.name ? inks.paper : inks.ink}
          >
            {i + 1}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** A zigzag between two points. */
function spring(x0: number, y0: number, x1: number, y1: number): string {
  const [dx, dy] = [x1 - x0, y1 - y0];
  const length = Math.hypot(dx, dy) || 1;
  const [nx, ny] = [-dy / length, dx / length];
  const at = (t: number, off: number) =>
    `${(x0 + dx * t + nx * off).toFixed(1)} ${(y0 + dy * t + ny * off).toFixed(1)}`;
  const turns = Array.from({ length: 8 }, (_, i) =>
    at(0.16 + (i * 0.68) / 7, i % 2 === 0 ? 9 : -9),
  );
  return `M ${[at(0, 0), at(0.1, 0), ...turns, at(0.9, 0), at(1, 0)].join(" L ")}`;
}
