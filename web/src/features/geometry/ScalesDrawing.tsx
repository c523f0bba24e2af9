import type { Schemas } from "../../api/client";
import { useUnit } from "../../shared/Length";
import { weightText } from "../../shared/quantity";
import { useInks } from "../../shared/theme";
import { shapeOf } from "../stance/vehicle";
import { useWayLine } from "./MechanismDrawing";
import type { Way } from "./geometry";

/** The four scales from above, to scale, the front on the left: each wheel's weight, each diagonal with its share. */
export function ScalesDrawing({
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
  const line = useWayLine();
  const { wheelbase, frontTrack, rearTrack, loaded } = shapeOf(vehicle);
  const [was, now] = [shareOf(before), shareOf(chosen)];
  if (was === null || now === null) {
    return null;
  }
  const k = 290 / wheelbase;
  const wide = Math.max(frontTrack, rearTrack) * k;
  const [left, right, middle] = [105, 395, wide / 2 + 38];
  const wheels = [
    { x: left, y: middle + (frontTrack / 2) * k, name: "LF" },
    { x: left, y: middle - (frontTrack / 2) * k, name: "RF" },
    { x: right, y: middle + (rearTrack / 2) * k, name: "LR" },
    { x: right, y: middle - (rearTrack / 2) * k, name: "RR" },
  ];
  const [lf, rf, lr, rr] = wheels;
  const diagonals = [
    { from: rf, to: lr, share: now, before: was, at: 0.32 },
    { from: lf, to: rr, share: 100 - now, before: 100 - was, at: 0.32 },
  ];
  return (
    <svg
      viewBox={`0 0 500 ${n(wide + 76)}`}
      role="img"
      aria-label={`From above, the front on the left: right front and left rear carry ${now.toFixed(1)} of 100, left front and right rear ${(100 - now).toFixed(1)}.`}
      style={{ width: "100%", maxWidth: 500, display: "block" }}
    >
      <path
        d={`M${n(left)} ${n(middle)}H${n(right)}M${n(left)} ${n(rf?.y ?? 0)}V${n(lf?.y ?? 0)}M${n(right)} ${n(rr?.y ?? 0)}V${n(lr?.y ?? 0)}`}
        stroke={inks.soft}
        strokeWidth={4}
        opacity={0.5}
      />
      {diagonals.map(({ from, to, share, before: of, at }) => {
        if (!from || !to) {
          return null;
        }
        const [x, y] = [
          from.x + at * (to.x - from.x),
          from.y + at * (to.y - from.y),
        ];
        return (
          <g key={from.name}>
            <path
              d={`M${n(from.x)} ${n(from.y)}L${n(to.x)} ${n(to.y)}`}
              {...line(chosen.kind, true)}
              strokeWidth={2 + Math.max(0, share - 45) * 0.9}
            />
            <text
              x={x}
              y={y - 8}
              fontSize={17}
              fontWeight={700}
              textAnchor="middle"
              fill={inks.ink}
              stroke={inks.paper}
              strokeWidth={5}
              paintOrder="stroke"
            >
              {share.toFixed(1)}
            </text>
            {Math.abs(share - of) >= 0.05 && (
              <text
                x={x}
                y={y + 12}
                fontSize={13}
                textAnchor="middle"
                fill={inks.ink}
                stroke={inks.paper}
                strokeWidth={4}
                paintOrder="stroke"
              >
                {of.toFixed(1)} before
              </text>
            )}
          </g>
        );
      })}
      {wheels.map((w, i) => (
        <g key={w.name}>
          <rect
            x={w.x - loaded * k}
            y={w.y - 10}
            width={2 * loaded * k}
            height={20}
            rx={5}
            fill={inks.soft}
          />
          <text
            x={w.x}
            y={w.y + (i % 2 === 0 ? 28 : -16)}
            fontSize={14}
            textAnchor="middle"
            fill={inks.ink}
          >
            {w.name} {weightText(before.also[1 + i]?.result.value ?? 0, unit)}
          </text>
        </g>
      ))}
    </svg>
  );
}

/** What right front and left rear carry in a way, of 100. */
const shareOf = (way: Way) => way.also[0]?.result.value ?? null;

const n = (v: number) => v.toFixed(1);
