import type { BodyLine, Shape } from "./vehicle";
import { useInks } from "../../app/theme";

/** Fractions of the wheelbase that the body reaches beyond the axles. */
export const overhang = { front: 0.25, rear: 0.33 };

/** Extent of the drawing in mm: from the front bumper to the rear, ground to roof. */
export function extent(shape: Shape) {
  return {
    left: -overhang.front * shape.wheelbase,
    right: (1 + overhang.rear) * shape.wheelbase,
    height: 1980,
  };
}

/**
 * The vehicle from its left side, to scale: ground, wheels and a body whose arches meet the measured lips.
 * s runs backward from the front axle, z up from the ground; both in mm.
 */
export function SideDrawing({
  shape,
  body,
  scale,
  x0,
  ground,
}: {
  shape: Shape;
  body: BodyLine;
  /** px per mm */
  scale: number;
  /** px of the front axle */
  x0: number;
  /** px of the ground */
  ground: number;
}) {
  const inks = useInks();
  const wb = shape.wheelbase;
  const lip = (s: number) => body.front + ((body.rear - body.front) * s) / wb;
  const px = (s: number) => (x0 + s * scale).toFixed(1);
  const py = (z: number) => (ground - z * scale).toFixed(1);
  // Heights above the lip line turn with the body; the sill is measured from the floor when the body is level.
  const at = (s: number, above: number) => `${px(s)} ${py(lip(s) + above)}`;
  const sill = shape.sill - (body.front + body.rear) / 2;
  const arch = shape.radius + 55;
  const archLeft = (s: number) =>
    `${at(s + arch, sill)} Q ${at(s + arch * 0.95, 0)} ${at(s + arch * 0.25, 0)} L ${at(s - arch * 0.25, 0)} Q ${at(s - arch * 0.95, 0)} ${at(s - arch, sill)}`;
  const front = -overhang.front * wb;
  const rear = (1 + overhang.rear) * wb;
  const outline = `M ${at(front, sill + 120)} L ${at(front + 30, 190)} L ${at(0.24 * wb, 250)} L ${at(0.36 * wb, 690)} L ${at(0.7 * wb, 700)} L ${at(0.73 * wb, 250)} L ${at(rear, 235)} L ${at(rear, sill + 140)} L ${archLeft(wb)} L ${archLeft(0)} L ${at(front, sill + 60)} Z`;
  const glass = `M ${at(0.275 * wb, 262)} L ${at(0.375 * wb, 640)} L ${at(0.52 * wb, 645)} L ${at(0.52 * wb, 262)} Z M ${at(0.535 * wb, 262)} L ${at(0.535 * wb, 645)} L ${at(0.685 * wb, 645)} L ${at(0.705 * wb, 262)} Z`;
  return (
    <g aria-hidden>
      <path
        d={outline}
        fill={inks.tag}
        stroke={inks.now}
        strokeWidth={1.6}
        strokeLinejoin="round"
        style={{ transition: "d 200ms" }}
      />
      <path d={glass} fill={inks.paper} stroke={inks.line} strokeWidth={1} />
      <path
        d={`M ${at(0.53 * wb, 250)} L ${at(0.53 * wb, sill + 20)} M ${at(0.72 * wb, 250)} L ${at(0.72 * wb, sill + 20)} M ${at(0.43 * wb, 170)} l ${(90 * scale).toFixed(1)} 0`}
        stroke={inks.line}
        strokeWidth={1}
        fill="none"
      />
      {[0, wb].map((s) => (
        <g key={s}>
          <circle
            cx={px(s)}
            cy={py(shape.loaded)}
            r={shape.loaded * scale}
            fill={inks.soft}
          />
          <circle
            cx={px(s)}
            cy={py(shape.loaded)}
            r={shape.rim * scale}
            fill={inks.tag}
            stroke={inks.now}
          />
          <circle cx={px(s)} cy={py(shape.loaded)} r={2.5} fill={inks.now} />
        </g>
      ))}
    </g>
  );
}
