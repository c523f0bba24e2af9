import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { showText } from "../../shared/length";
import { useInks } from "../../shared/theme";
import { shapeOf } from "../stance/vehicle";
import { figureText, type Way } from "./geometry";

/** The vehicle from behind on the slope on which it tips, to scale: its weight stands straight over the lower tyre. */
export function SlopeDrawing({
  vehicle,
  before,
  chosen,
}: {
  vehicle: Schemas["Vehicle"];
  before: Way;
  chosen: Way;
}) {
  const inks = useInks();
  const unit = useUnit();
  const { frontTrack, rearTrack, loaded } = shapeOf(vehicle);
  const slope = chosen.figure.value;
  const [high, was] = [heightOf(chosen), heightOf(before)];
  if (slope === null || high === null || was === null) {
    return null;
  }
  const k = 0.085;
  const [half, tyre] = [((frontTrack + rearTrack) / 4) * k, 240 * k];
  // The lower tyre stands where the slope begins to turn.
  const [x0, y0] = [170, 225];
  const up = (mm: number) => -mm * k;
  const angle = (slope * Math.PI) / 180;
  return (
    <svg
      viewBox="0 0 420 260"
      role="img"
      aria-label={`From behind on a side slope of ${figureText(slope, "°", unit)}: its centre of gravity, ${showText(high, unit)} over the ground, stands straight over the lower tyre.`}
      style={{ width: "100%", maxWidth: 420, display: "block" }}
    >
      <path d={`M ${n(x0)} ${n(y0)} h 200`} stroke={inks.soft} fill="none" />
      <path
        d={`M ${n(x0 + 70)} ${n(y0)} A 70 70 0 0 0 ${n(x0 + 70 * Math.cos(angle))} ${n(y0 - 70 * Math.sin(angle))}`}
        stroke={inks.soft}
        fill="none"
      />
      <text x={x0 + 76} y={y0 - 14} fontSize={15} fill={inks.ink}>
        {figureText(slope, "°", unit)}
      </text>
      <g transform={`translate(${n(x0)} ${n(y0)}) rotate(${n(-slope)})`}>
        <path d="M -50 0 H 230" stroke={inks.ink} strokeWidth={2} />
        {[0, 2 * half].map((x) => (
          <rect
            key={x}
            x={x - tyre / 2}
            y={up(2 * loaded)}
            width={tyre}
            height={2 * loaded * k}
            rx={6}
            fill={inks.soft}
            opacity={0.6}
          />
        ))}
        <path
          d={`M 0 ${n(up(loaded))} H ${n(2 * half)}`}
          stroke={inks.soft}
          strokeWidth={3}
        />
        <path
          d={`M ${n(-tyre / 2)} ${n(up(1.3 * loaded))} V ${n(up(high + 250))} L ${n(tyre)} ${n(up(high + 900))} H ${n(2 * half - tyre)} L ${n(2 * half + tyre / 2)} ${n(up(high + 250))} V ${n(up(1.3 * loaded))} Z`}
          stroke={inks.soft}
          fill="none"
        />
        {chosen !== before && (
          <circle
            cx={half}
            cy={up(was)}
            r={6}
            fill="none"
            stroke={inks.ink}
            strokeDasharray="2 3"
          />
        )}
        <circle cx={half} cy={up(high)} r={6} fill={inks.now} />
      </g>
      <path
        d={`M ${n(x0)} ${n(y0 - Math.hypot(half, high * k))} V ${n(y0 + 24)}`}
        stroke={inks.now}
        strokeWidth={2}
        strokeDasharray="7 5"
      />
    </svg>
  );
}

/** How high the centre of gravity stands in a way: its first number beside the slope. */
const heightOf = (way: Way) => way.also[0]?.result.value ?? null;

const n = (v: number) => v.toFixed(1);
