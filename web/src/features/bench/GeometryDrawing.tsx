import type { ReactNode } from "react";
import type { useInks } from "../../shared/theme";

type Inks = ReturnType<typeof useInks>;

export interface Drawn {
  height: number;
  says: string;
  art: ReactNode;
}

const within = (most: number, n: number) => Math.max(-most, Math.min(most, n));
const n = (x: number) => x.toFixed(1);

/** A point that lies at an angle from another, degrees, up positive. */
const from = (x: number, y: number, length: number, degrees: number) => {
  const a = (degrees * Math.PI) / 180;
  return `${n(x + length * Math.cos(a))} ${n(y - length * Math.sin(a))}`;
};

/** Sheets of geometry, drawn from what they answer; small movements are drawn larger, and say so. */
export function geometryDrawings(
  inks: Inks,
  value: (i: number) => number,
): Record<string, () => Drawn> {
  const before = {
    stroke: inks.soft,
    strokeDasharray: "5 4",
    strokeWidth: 4,
    fill: "none",
  };
  const now = { stroke: inks.now, strokeWidth: 5, fill: "none" };
  const part = { stroke: inks.ink, strokeWidth: 4, fill: "none" };
  const joint = (x: number, y: number) => (
    <circle
      cx={x}
      cy={y}
      r={7}
      fill={inks.paper}
      stroke={inks.ink}
      strokeWidth={3}
    />
  );
  const says = (
    x: number,
    y: number,
    text: string,
    anchor: "start" | "middle" | "end" = "middle",
  ) => (
    <text x={x} y={y} fontSize={13} textAnchor={anchor} fill={inks.ink}>
      {text}
    </text>
  );
  const ground = (y: number) => (
    <path d={`M10 ${n(y)}H430`} stroke={inks.ink} strokeWidth={2} />
  );
  /** A wheel from above, turned by an angle. */
  const fromAbove = (x: number, turn: number, line: object) => (
    <rect
      x={x - 14}
      y={30}
      width={28}
      height={80}
      rx={6}
      {...line}
      strokeWidth={3}
      transform={`rotate(${n(turn)} ${x.toString()} 70)`}
    />
  );
  return {
    torsion: () => {
      const lift = within(60, value(0) * 0.7);
      return {
        height: 180,
        says: "The arm on its bar, before and turned: the wheel's end goes down, the frame up",
        art: (
          <>
            <path d="M40 40H150V110" {...part} />
            <path d="M120 110L360 118" {...before} />
            <path d={`M120 110L360 ${n(118 + lift)}`} {...now} />
            <path d="M120 110L86 150" {...part} />
            <path d="M70 150H104M86 138V166" {...part} strokeWidth={3} />
            <circle
              cx={120}
              cy={110}
              r={16}
              fill={inks.paper}
              stroke={inks.ink}
              strokeWidth={5}
            />
            {joint(360, 118 + lift)}
            {says(60, 132, "adjuster", "end")}
            {says(380, 122 + lift / 2, "lift", "start")}
          </>
        ),
      };
    },
    trackBar: () => {
      const shift = within(60, value(0) * 4);
      const tyre = (x: number, line: object) => (
        <rect x={x - 20} y={92} width={40} height={100} rx={8} {...line} />
      );
      return {
        height: 212,
        says: "The axle from behind, before and lifted; its shift is drawn four times as large",
        art: (
          <>
            {ground(192)}
            {[70, 370].map((x) => (
              <g key={x}>
                {tyre(x, { ...before, strokeWidth: 2.5 })}
                {tyre(x + shift, { ...now, strokeWidth: 3.5 })}
              </g>
            ))}
            <path
              d={`M${n(90 + shift)} 142H${n(350 + shift)}`}
              stroke={inks.now}
              strokeWidth={7}
            />
            <path d="M120 20H320M140 20V62H170V20M300 20V62H270V20" {...part} />
            <path d="M130 142L300 100" {...before} />
            <path d={`M${n(130 + shift)} 142L300 56`} {...now} />
            {joint(300, 56)}
            {joint(130 + shift, 142)}
            {says(220, 208, "shift ×4")}
          </>
        ),
      };
    },
    steering: () => {
      const turn = within(25, value(1) * 4);
      return {
        height: 190,
        says: "The front wheels from above at rest, turned as far as the link draws them, four times as large",
        art: (
          <>
            <path d="M90 70H350" stroke={inks.ink} strokeWidth={7} />
            {[90, 350].map((x) => (
              <g key={x}>
                {fromAbove(x, 0, before)}
                {fromAbove(x, turn, now)}
                <path
                  d={`M${x.toString()} 70V138`}
                  stroke={inks.now}
                  strokeWidth={4}
                  transform={`rotate(${n(turn)} ${x.toString()} 70)`}
                />
              </g>
            ))}
            {says(220, 26, "ahead")}
            {says(220, 184, "turned ×4")}
          </>
        ),
      };
    },
    caster: () => {
      const turn = value(0);
      return {
        height: 200,
        says: "The steering axis from the side, before and now, leaning twice as far as it does",
        art: (
          <>
            {ground(180)}
            <circle cx={130} cy={120} r={60} {...part} strokeWidth={3} />
            <path d={`M130 120L${from(130, 120, 84, 90 - 12)}`} {...before} />
            <path
              d={`M130 120L${from(130, 120, 84, 90 - 12 - 2 * within(20, turn))}`}
              {...now}
            />
            <path d="M130 120L390 92" {...part} />
            {joint(130, 120)}
            {joint(390, 92)}
            {says(390, 76, "pivot on the frame", "end")}
            {says(40, 196, "ahead", "start")}
          </>
        ),
      };
    },
    driveline: () => {
      const [front, rear] = [value(1), value(2)];
      const slope = -Math.atan2(60, 240) * (180 / Math.PI);
      return {
        height: 170,
        says: `The shaft from the side: the joint at the gearbox at ${n(front)}°, at the axle at ${n(rear)}°`,
        art: (
          <>
            <path d="M100 50L340 110" {...now} strokeWidth={9} />
            <path
              d={`M100 50L${from(100, 50, 70, 180 + slope + 2 * within(15, front))}`}
              {...part}
              strokeWidth={9}
            />
            <path
              d={`M340 110L${from(340, 110, 62, slope + 2 * within(15, rear))}`}
              {...part}
              strokeWidth={9}
            />
            {joint(100, 50)}
            {joint(340, 110)}
            {says(100, 28, `${n(front)}°`)}
            {says(340, 90, `${n(rear)}°`)}
            {says(220, 162, "bends ×2")}
          </>
        ),
      };
    },
    slipYoke: () => {
      const out = within(60, value(0) * 4);
      return {
        height: 120,
        says: "The yoke on its spline, before and then, its movement four times as large",
        art: (
          <>
            <path d="M30 60H190" stroke={inks.ink} strokeWidth={22} />
            <path d="M190 60H250" stroke={inks.soft} strokeWidth={12} />
            <rect
              x={200}
              y={42}
              width={90}
              height={36}
              {...before}
              strokeWidth={2.5}
            />
            <rect
              x={200 + out}
              y={42}
              width={90}
              height={36}
              {...now}
              strokeWidth={3.5}
            />
            <path
              d={`M${n(290 + out)} 60H420`}
              stroke={inks.now}
              strokeWidth={9}
            />
            {says(220, 112, "out ×4")}
          </>
        ),
      };
    },
    swayBar: () => {
      const down = value(0);
      const length = 220;
      const a = (within(60, down) * Math.PI) / 180;
      const [x, y] = [60 + length * Math.cos(a), 40 + length * Math.sin(a)];
      return {
        height: 190,
        says: "The bar's arm with its link from the side, as it was and lifted; the arm turned to scale",
        art: (
          <>
            <path d="M60 40H280V150" {...before} />
            <path d={`M60 40L${n(x)} ${n(y)}L280 ${n(y + 110)}`} {...now} />
            {joint(60, 40)}
            {joint(x, y)}
            {joint(280, y + 110)}
            {says(60, 20, "bar, at the frame", "start")}
            {says(296, y + 60, "link", "start")}
          </>
        ),
      };
    },
    wheel: () => {
      const [out, inner] = [
        within(70, value(0) * 0.8),
        within(70, value(1) * 0.8),
      ];
      return {
        height: 170,
        says: "The rim from behind, before and then, to scale; outside is on the left",
        art: (
          <>
            <path d="M250 20V150M250 85H400" {...part} />
            <rect x={140} y={30} width={152} height={110} rx={10} {...before} />
            <rect
              x={140 - out}
              y={30}
              width={152 + out + inner}
              height={110}
              rx={10}
              {...now}
            />
            {says(60, 164, "outside", "start")}
            {says(400, 78, "hub", "end")}
          </>
        ),
      };
    },
    headlights: () => {
      const [climb, lamp] = [
        within(80, value(1) * 0.5),
        within(50, value(2) * 0.5),
      ];
      return {
        height: 190,
        says: "The beam on the wall, before and lifted, heights larger than lengths",
        art: (
          <>
            {ground(174)}
            <path d="M412 14V174" stroke={inks.ink} strokeWidth={6} />
            <path d={`M10 ${n(96 - lamp)}H50V174`} {...part} strokeWidth={3} />
            <path d="M50 120L409 128" {...before} />
            <path d={`M50 ${n(120 - lamp)}L409 ${n(128 - climb)}`} {...now} />
            {joint(50, 120 - lamp)}
            {says(400, 146, "before", "end")}
            {says(400, 118 - climb, "now", "end")}
          </>
        ),
      };
    },
    toe: () => {
      const turn = within(25, value(1) * 8);
      return {
        height: 180,
        says: "Both tyres from above, their toe eight times as large",
        art: (
          <>
            <path d="M100 70H340" stroke={inks.ink} strokeWidth={5} />
            {[100, 340].map((x, i) => (
              <g key={x}>{fromAbove(x, i === 0 ? turn : -turn, now)}</g>
            ))}
            {says(220, 24, "ahead")}
            {says(220, 172, "toe ×8")}
          </>
        ),
      };
    },
  };
}
