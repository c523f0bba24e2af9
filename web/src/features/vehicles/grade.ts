import type { Schemas } from "../../api/client";
import { showText, type LengthUnit } from "../../shared/length";

/** How a height is held, as said. */
export const heightControls: Record<Schemas["HeightControl"], string> = {
  oneSensor: "one sensor for both sides",
  twoSensors: "a sensor at each side",
};

/** What lifts an axle, and on what that rests, in one sentence. */
export function gradeSays(a: Schemas["AxleView"], unit: LengthUnit): string {
  if (a.heightControl) {
    return `■ A controller holds its height (${heightControls[a.heightControl]}): plates lift nothing here, another sensor link does.`;
  }
  if (a.kind === "torsionBarArm") {
    return a.turn
      ? `${a.turnWasRead ? "●" : "◐"} One turn of the adjusters lifts ${showText(a.turn.mean, unit)} ± ${showText(2 * a.turn.sd, unit)}: ${a.turnWasRead ? "as it was read by turning them" : "by arm, bar, lever and pitch"}.`
      : "○ What a turn of the adjusters lifts is not known yet: turn both alike, roll, read again, and enter it below.";
  }
  const ratio = `One inch of plate lifts about ${a.liftRatio.toFixed(2)} in ± ${(2 * a.liftRatioSd).toFixed(2)}`;
  switch (a.grade) {
    case "taped":
      return `● ${ratio}: by its own points (motion ratio ${a.motionRatio.toFixed(3)}).`;
    case "archetype":
      return `◐ ${ratio}: a usual ${a.said}, fitted to what was taped.`;
    default:
      return `○ ${ratio}: a rule of thumb for a ${a.said}.`;
  }
}
