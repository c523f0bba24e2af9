import type { useInks } from "../../shared/theme";
import type { Drawn } from "./GeometryDrawing";
import { n, pens } from "./pens";

type Inks = ReturnType<typeof useInks>;

const within = (most: number, by: number) =>
  Math.max(-most, Math.min(most, by));

/** Sheets of an independent front, its shafts, and body lift against springs, drawn from what they answer. */
export function frontDrawings(
  inks: Inks,
  value: (i: number) => number,
): Record<string, () => Drawn> {
  const { part, now, before, says } = pens(inks);
  return {
    front: () => {
      // Angles of a tenth of a degree are seen ten times as large.
      // From behind, the left wheel's top goes inward to the right when camber is below zero.
      const [camber, toe] = [
        within(24, -value(0) * 10),
        within(24, value(1) * 10),
      ];
      const tyre = (x: number, turn: number, line: object) => (
        <rect
          x={x - 18}
          y={36}
          width={36}
          height={112}
          rx={9}
          {...line}
          transform={`rotate(${n(turn)} ${x.toString()} 92)`}
        />
      );
      return {
        height: 190,
        says: "The left wheel from behind and from above, before and lifted; its angles ten times as large",
        art: (
          <>
            {tyre(110, 0, before)}
            {tyre(110, camber, now)}
            <path d="M128 70L200 78M128 118L200 108" {...part} />
            {says(130, 178, "from behind ×10")}
            {tyre(330, 0, before)}
            {tyre(330, toe, now)}
            <path d="M348 92H410" {...part} />
            {says(340, 178, "from above ×10, ahead is up")}
          </>
        ),
      };
    },
    cvShaft: () => {
      const shaft = (degrees: number) => {
        const a = (within(60, degrees) * Math.PI) / 180;
        return `M330 60L${n(330 - 220 * Math.cos(a))} ${n(60 + 220 * Math.sin(a))}`;
      };
      return {
        height: 190,
        says: "The half-shaft from behind, before and lifted, at its angles",
        art: (
          <>
            <rect x={330} y={30} width={70} height={60} {...part} />
            <path d={shaft(value(3))} {...before} />
            <path d={shaft(value(0))} {...now} />
            {says(365, 112, "differential")}
            {says(
              110,
              within(
                150,
                60 + 220 * Math.sin((within(60, value(0)) * Math.PI) / 180),
              ) + 28,
              "wheel",
            )}
          </>
        ),
      };
    },
    bodyOrSprings: () => {
      const grows = within(60, value(0));
      const stand = (x: number, frame: number, body: number) => (
        <>
          <circle cx={x} cy={150} r={22} {...part} />
          <path
            d={`M${(x - 70).toString()} ${(128 - frame).toString()}H${(x + 70).toString()}`}
            {...now}
          />
          <rect
            x={x - 66}
            y={78 - frame - body}
            width={132}
            height={44}
            {...part}
          />
        </>
      );
      return {
        height: 200,
        says: `Springs raise frame and body, pucks the body alone: the steering shaft grows by ${grows.toFixed(0)} mm`,
        art: (
          <>
            {stand(120, 26, 0)}
            {stand(320, 0, 26)}
            {says(120, 194, "springs")}
            {says(320, 194, "pucks")}
          </>
        ),
      };
    },
  };
}
