import type { Schemas } from "../../api/client";
import { useInks } from "../../shared/theme";
import { LeafDrawing } from "../vehicles/LeafDrawing";
import { valueAt } from "./bench";
import { geometryDrawings, type Drawn } from "./GeometryDrawing";
import { frontDrawings } from "./FrontDrawing";
import { vehicleDrawings } from "./VehicleDrawing";

const width = 440;

/** What a calculation is about, drawn from its own numbers. */
export function BenchDrawing({
  sheet,
  texts,
  answer,
}: {
  sheet: string;
  texts: Record<string, string>;
  answer: Schemas["BenchAnswer"] | undefined;
}) {
  const inks = useInks();
  const first = valueAt(answer, 0);
  if (sheet === "shackle") {
    return (
      <LeafDrawing underslung={false} pulled={texts.pivot === "belowEye"} />
    );
  }
  if (first === null) {
    return null;
  }
  const drawn: Record<string, () => Drawn> = {
    ...geometryDrawings(inks, (i) => valueAt(answer, i) ?? 0),
    ...frontDrawings(inks, (i) => valueAt(answer, i) ?? 0),
    ...vehicleDrawings(inks, (i) => valueAt(answer, i) ?? 0),
    rake: () => {
      // Heights ×4 against the length, as in the band.
      const fall = Math.max(-70, Math.min(70, first * 0.48));
      const [front, rear] = [100 + fall / 2, 100 - fall / 2];
      return {
        height: 200,
        says: `Body line from rear to front, ${first > 0 ? "nose down" : first < 0 ? "nose up" : "level"}, heights times four`,
        art: (
          <>
            <path d="M10 176H430" stroke={inks.ink} strokeWidth={2} />
            {[95, 345].map((x) => (
              <circle
                key={x}
                cx={x}
                cy={146}
                r={30}
                fill="none"
                stroke={inks.ink}
                strokeWidth={4}
              />
            ))}
            <path d={`M95 100H345`} stroke={inks.soft} strokeDasharray="4 4" />
            <path
              d={`M40 ${(front - (55 / 250) * (rear - front)).toFixed(1)}L400 ${(rear + (55 / 250) * (rear - front)).toFixed(1)}`}
              stroke={inks.now}
              strokeWidth={5}
            />
            <text x={40} y={194} fontSize={13} fill={inks.ink}>
              front
            </text>
            <text
              x={400}
              y={194}
              fontSize={13}
              textAnchor="end"
              fill={inks.ink}
            >
              rear
            </text>
            <text
              x={220}
              y={20}
              fontSize={13}
              textAnchor="middle"
              fill={inks.ink}
            >
              heights ×4
            </text>
          </>
        ),
      };
    },
    spacer: () => {
      const ratio = Math.max(1, valueAt(answer, 1) ?? 1);
      const lift = Math.min(70, first * 0.7);
      const plate = lift / ratio;
      // The arm is straight: its foot stands where the plate moves the wheel by the ratio.
      const foot = 70 + 230 / ratio;
      const x = (by: number) => (foot + by).toFixed(1);
      return {
        height: 210,
        says: `The plate lengthens the strut, the wheel moves ${ratio.toFixed(2)} times as far`,
        art: (
          <>
            <path
              d={`M${x(-70)} 50H${x(70)}`}
              stroke={inks.ink}
              strokeWidth={6}
            />
            <rect
              x={foot - 32}
              y={54}
              width={64}
              height={plate}
              fill={inks.planned}
            />
            <path
              d={`M${x(0)} ${(54 + plate).toFixed(1)}V${(130 + plate).toFixed(1)}`}
              stroke={inks.ink}
              strokeWidth={9}
            />
            <path
              d="M70 130H300"
              stroke={inks.soft}
              strokeDasharray="5 4"
              strokeWidth={4}
            />
            <path
              d={`M70 130L300 ${(130 + lift).toFixed(1)}`}
              stroke={inks.now}
              strokeWidth={5}
            />
            <circle
              cx={70}
              cy={130}
              r={7}
              fill={inks.paper}
              stroke={inks.ink}
              strokeWidth={3}
            />
            <circle
              cx={330}
              cy={130}
              r={26}
              fill="none"
              stroke={inks.soft}
              strokeDasharray="5 4"
            />
            <circle
              cx={330}
              cy={130 + lift}
              r={26}
              fill="none"
              stroke={inks.now}
              strokeWidth={4}
            />
            <path
              d={`M375 130V${(130 + lift).toFixed(1)}`}
              stroke={inks.planned}
              strokeWidth={2}
            />
            <text x={384} y={136 + lift / 2} fontSize={13} fill={inks.ink}>
              lift
            </text>
            <text
              x={foot + 40}
              y={54 + plate / 2 + 5}
              fontSize={13}
              fill={inks.ink}
            >
              plate
            </text>
          </>
        ),
      };
    },
    spring: () => {
      const squeeze = valueAt(answer, 2) ?? 0;
      const scale = 150 / (first + squeeze);
      return {
        height: 190,
        says: "The coil free and under its load, to scale",
        art: (
          <>
            {coil(110, 170 - (first + squeeze) * scale, 170, inks.soft)}
            {coil(300, 170 - first * scale, 170, inks.now)}
            <path d="M40 172H400" stroke={inks.ink} strokeWidth={3} />
            <text
              x={110}
              y={186}
              fontSize={13}
              textAnchor="middle"
              fill={inks.ink}
            >
              free
            </text>
            <text
              x={300}
              y={186}
              fontSize={13}
              textAnchor="middle"
              fill={inks.ink}
            >
              loaded
            </text>
          </>
        ),
      };
    },
    leaf: () => {
      const [loaded, free] = [valueAt(answer, 1) ?? 0, valueAt(answer, 2) ?? 0];
      const scale = 90 / Math.max(60, Math.abs(free), Math.abs(loaded));
      const curve = (arch: number) =>
        `M40 40Q220 ${(40 + 2 * arch * scale).toFixed(1)} 400 40`;
      return {
        height: 150,
        says: "The main leaf free and under its load, its arch to one scale",
        art: (
          <>
            <path d="M40 40H400" stroke={inks.soft} strokeDasharray="4 4" />
            <path
              d={curve(free)}
              stroke={inks.soft}
              strokeWidth={4}
              fill="none"
              strokeDasharray="6 4"
            />
            <path
              d={curve(loaded)}
              stroke={inks.now}
              strokeWidth={6}
              fill="none"
            />
            {[40, 400].map((x) => (
              <circle
                key={x}
                cx={x}
                cy={40}
                r={7}
                fill={inks.paper}
                stroke={inks.ink}
                strokeWidth={2.5}
              />
            ))}
            <text
              x={220}
              y={24}
              fontSize={13}
              textAnchor="middle"
              fill={inks.ink}
            >
              – – free — loaded
            </text>
          </>
        ),
      };
    },
    block: () => {
      const tall = Math.min(80, first * 0.8);
      return {
        height: 170,
        says: "Leaf, block and axle, the block to scale",
        art: (
          <>
            <path
              d="M40 26Q220 56 400 26"
              stroke={inks.ink}
              strokeWidth={6}
              fill="none"
            />
            <rect x={180} y={44} width={80} height={tall} fill={inks.planned} />
            <circle
              cx={220}
              cy={44 + tall + 24}
              r={24}
              fill={inks.paper}
              stroke={inks.ink}
              strokeWidth={4}
            />
            <path
              d={`M176 34V${(44 + tall + 26).toFixed(0)}M264 34V${(44 + tall + 26).toFixed(0)}`}
              stroke={inks.soft}
              strokeWidth={3}
            />
            <text x={280} y={44 + tall / 2 + 5} fontSize={13} fill={inks.ink}>
              block
            </text>
          </>
        ),
      };
    },
    tyre: () => {
      const [now, then] = [valueAt(answer, 2) ?? 1, valueAt(answer, 3) ?? 1];
      const scale = 150 / Math.max(now, then);
      return {
        height: 190,
        says: "Both tyres on one ground, to scale",
        art: (
          <>
            <path d="M20 172H420" stroke={inks.ink} strokeWidth={3} />
            {(
              [
                [130, now, inks.soft, "now"],
                [310, then, inks.now, "then"],
              ] as const
            ).map(([x, d, ink, words]) => (
              <g key={words}>
                <circle
                  cx={x}
                  cy={172 - (d * scale) / 2}
                  r={(d * scale) / 2}
                  fill="none"
                  stroke={ink}
                  strokeWidth={5}
                />
                <text
                  x={x}
                  y={176 - (d * scale) / 2}
                  fontSize={13}
                  textAnchor="middle"
                  fill={inks.ink}
                >
                  {words}
                </text>
              </g>
            ))}
            <path
              d={`M60 ${(172 - now * scale).toFixed(1)}H400`}
              stroke={inks.soft}
              strokeDasharray="4 4"
            />
          </>
        ),
      };
    },
  };
  const one = drawn[sheet]?.();
  return one ? (
    <svg
      viewBox={`0 0 ${width.toString()} ${one.height.toString()}`}
      role="img"
      aria-label={one.says}
      style={{ width: "100%", maxWidth: width }}
    >
      {one.art}
    </svg>
  ) : null;
}

function coil(x: number, top: number, foot: number, ink: string) {
  const turns = 7;
  const step = (foot - top) / turns;
  const points = Array.from(
    { length: turns + 1 },
    (_, i) =>
      `${(x + (i % 2 === 0 ? -34 : 34)).toString()} ${(top + i * step).toFixed(1)}`,
  );
  return (
    <path
      d={`M${points.join("L")}`}
      fill="none"
      stroke={ink}
      strokeWidth={4}
      strokeLinejoin="round"
    />
  );
}
