import type { Schemas } from "../../api/client";
import { inMm, showText, type LengthUnit } from "../../shared/length";

/** What is wanted, in one line. */
export function wantedSays(
  target: Schemas["Target"],
  unit: LengthUnit,
): string {
  const mm = (q: Schemas["Quantity"] | null) => (q === null ? null : inMm(q));
  const rake = mm(target.rake);
  const said = [
    rake === null
      ? null
      : (Math.abs(rake) < 0.05
          ? "level"
          : `${rake > 0 ? "nose down" : "nose up"} ${showText(Math.abs(rake), unit)}`) +
        (target.loaded ? " with the load on" : ""),
    ...ends(
      mm(target.leastFrontLift),
      mm(target.leastRearLift),
      "up at least",
      unit,
    ),
    ...ends(
      mm(target.mostFrontLift),
      mm(target.mostRearLift),
      "up at most",
      unit,
    ),
    target.noLean ? "no side lean" : null,
    target.evenDiagonals ? "even diagonals" : null,
  ].filter((s) => s !== null);
  return said.length === 0
    ? "nothing yet"
    : `${said.join(" · ")} · within ${showText(inMm(target.tolerance), unit)}, from the ${target.datum}`;
}

function ends(
  front: number | null,
  rear: number | null,
  words: string,
  unit: LengthUnit,
): string[] {
  if (front !== null && front === rear) {
    return [`both ends ${words} ${showText(front, unit)}`];
  }
  return [
    ...(front === null ? [] : [`front ${words} ${showText(front, unit)}`]),
    ...(rear === null ? [] : [`rear ${words} ${showText(rear, unit)}`]),
  ];
}
