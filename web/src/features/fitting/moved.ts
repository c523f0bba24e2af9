import type { Schemas } from "../../api/client";
import { restHours } from "../../api/words";

type Worked = Pick<
  Schemas["JobDocument"],
  "steps" | "torqueEntries" | "supports"
>;

/** When somebody last worked on a plan or said what holds the vehicle; null where nobody has. */
export function lastWork(d: Worked, plan: string): number | null {
  const at = [
    ...d.steps.filter((s) => s.planId === plan),
    ...d.torqueEntries.filter((t) => t.planId === plan),
    ...d.supports,
  ].map((x) => Date.parse(x.at));
  return at.length === 0 ? null : Math.max(...at);
}

/** Whether it hangs and rested so long that it may have been moved: the server asks too, this asks before it refuses. */
export function mayHaveBeenMoved(
  hangs: boolean,
  last: number | null,
  now: number,
): boolean {
  return hangs && last !== null && now - last >= restHours * 3_600_000;
}
