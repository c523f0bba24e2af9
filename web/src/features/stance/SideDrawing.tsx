import type { BodyLine, Shape } from "./vehicle";
import { useInks } from "../../shared/theme";

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

interface BodyShape {
  /** From the front bumper over the roof to the rear, heights above the line through the lips. */
  roof: [number, number][];
  glass: [number, number][][];
  lines: { points: [number, number][] }[];
  /** Bars that carry: a cage, a hoop behind the seats. */
  bars?: [number, number][][];
}

/** Bodies by their sort; x in mm behind the front axle, heights in mm above the line through the lips. */
const bodies: Record<
  Shape["kind"],
  (wb: number, front: number, rear: number, sill: number) => BodyShape
> = {
  pickup: (wb, front, rear, sill) => ({
    roof: [
      [front + 30, 190],
      [0.24 * wb, 250],
      [0.36 * wb, 690],
      [0.7 * wb, 700],
      [0.73 * wb, 250],
      [rear, 235],
    ],
    glass: [
      pane(wb, 0.275, 0.375, 0.52, 0.52),
      pane(wb, 0.535, 0.535, 0.685, 0.705),
    ],
    lines: [seam(wb, 0.53, sill), seam(wb, 0.72, sill)],
  }),
  wagon: (wb, front, rear, sill) => ({
    roof: [
      [front + 30, 190],
      [0.26 * wb, 255],
      [0.39 * wb, 700],
      [rear - 0.1 * wb, 690],
      [rear - 10, 240],
    ],
    glass: [
      pane(wb, 0.3, 0.41, 0.57, 0.57),
      pane(wb, 0.585, 0.585, 0.84, 0.86),
      pane(wb, 0.88, 0.87, 1.19, 1.25),
    ],
    lines: [seam(wb, 0.58, sill), seam(wb, 0.87, 260)],
  }),
  openTop: (wb, front, rear, sill) => ({
    roof: [
      [front + 20, 200],
      [0.3 * wb, 250],
      [0.36 * wb, 640],
      [0.385 * wb, 640],
      [0.34 * wb, 250],
      [0.9 * wb, 235],
      [rear, 235],
    ],
    glass: [],
    lines: [seam(wb, 0.36, sill), seam(wb, 0.68, sill)],
    bars: [
      [
        [0.72 * wb, 240],
        [0.75 * wb, 620],
        [0.79 * wb, 620],
        [0.83 * wb, 240],
      ],
    ],
  }),
  estate: (wb, front, rear, sill) => ({
    roof: [
      [front + 20, 150],
      [0.28 * wb, 260],
      [0.46 * wb, 690],
      [rear - 0.16 * wb, 660],
      [rear - 10, 230],
    ],
    glass: [
      pane(wb, 0.33, 0.48, 0.6, 0.6),
      pane(wb, 0.615, 0.615, 0.87, 0.9),
      pane(wb, 0.92, 0.9, 1.12, 1.24),
    ],
    lines: [seam(wb, 0.61, sill), seam(wb, 0.9, 260)],
  }),
  utv: (wb, front, rear, sill) => ({
    roof: [
      [front + 40, 120],
      [0.2 * wb, 230],
      [0.3 * wb, 230],
      [0.36 * wb, sill + 260],
      [0.78 * wb, sill + 240],
      [0.84 * wb, 190],
      [rear, 180],
    ],
    glass: [],
    lines: [],
    bars: [
      [
        [0.24 * wb, 230],
        [0.38 * wb, 0.3 * wb + 40],
        [0.8 * wb, 0.29 * wb + 40],
        [0.95 * wb, 185],
      ],
      [
        [0.68 * wb, 0.29 * wb + 40],
        [0.74 * wb, sill + 240],
      ],
    ],
  }),
};

/** A window between the belt and the roof: its lower and upper corners as fractions of the wheelbase. */
function pane(
  wb: number,
  lowFront: number,
  highFront: number,
  highRear: number,
  lowRear: number,
): [number, number][] {
  return [
    [lowFront * wb, 262],
    [highFront * wb, 640],
    [highRear * wb, 645],
    [lowRear * wb, 262],
  ];
}

function seam(wb: number, at: number, sill: number) {
  return {
    points: [
      [at * wb, 250],
      [at * wb, sill + 20],
    ] as [number, number][],
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
  const lower = `L ${at(rear, sill + 140)} L ${archLeft(wb)} L ${archLeft(0)} L ${at(front, sill + 60)} Z`;
  const line = (points: [number, number][]) =>
    points.map(([s, z]) => at(s, z)).join(" L ");
  const {
    roof,
    glass,
    lines,
    bars = [],
  } = bodies[shape.kind](wb, front, rear, sill);
  const outline = `M ${at(front, sill + 120)} L ${line(roof)} ${lower}`;
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
      <path
        d={glass.map((g) => `M ${line(g)} Z`).join(" ")}
        fill={inks.paper}
        stroke={inks.line}
        strokeWidth={1}
      />
      <path
        d={lines.map((l) => `M ${line(l.points)}`).join(" ")}
        stroke={inks.line}
        strokeWidth={1}
        fill="none"
      />
      <path
        d={bars.map((b) => `M ${line(b)}`).join(" ")}
        stroke={inks.now}
        strokeWidth={2}
        strokeLinejoin="round"
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
