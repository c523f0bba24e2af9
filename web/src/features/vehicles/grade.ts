import type { Schemas } from "../../api/client";

/** On what a lift ratio rests, in one sentence. */
export function gradeSays(a: Schemas["AxleView"]): string {
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
