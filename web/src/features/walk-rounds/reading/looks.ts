import type { Schemas } from "../../../api/client";

const axles: Schemas["Axle"][] = ["front", "rear"];

/** What was noted of how an axle looks. */
export const looksOf = (
  round: Schemas["WalkRound"],
  axle: Schemas["Axle"],
): Schemas["Looks"] | null =>
  (axle === "front" ? round.looksFront : round.looksRear) ?? null;

/** Axles of which it is asked how they look: where the tape shows a lean, and where something was answered. */
export const toAsk = (
  round: Schemas["WalkRound"],
  stance: Schemas["WalkRoundStance"] | undefined,
): Schemas["Axle"][] =>
  axles.filter((axle) => {
    const lean = axle === "front" ? stance?.leanFront : stance?.leanRear;
    return (
      looksOf(round, axle) !== null ||
      (lean?.value != null &&
        lean.u !== null &&
        Math.abs(lean.value) > 2 * lean.u)
    );
  });
