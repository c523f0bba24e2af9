import type { Schemas } from "../../api/client";
import { saidOf } from "../geometry/geometry";

/** What takes back what a stack moves beyond its limit, and what that takes on top. */
export function curesSay(
  cures: Schemas["CureView"][],
  money: (amount: number) => string,
): string {
  const there = cures.filter((c) => c.parts.length > 0);
  const none = cures.filter((c) => c.parts.length === 0);
  const sum = (of: (c: Schemas["CureView"]) => number) =>
    there.reduce((all, c) => all + of(c), 0);
  const takes = [
    `${sum((c) => c.hours).toFixed(1)} h`,
    ...(sum((c) => c.money) > 0 ? [money(sum((c) => c.money))] : []),
  ].join(", ");
  return [
    there.length > 0
      ? `Brought back by ${there.flatMap((c) => c.parts).join(", ")}: ${takes} more.`
      : null,
    none.length > 0
      ? `Nothing at hand brings back: ${none.map((c) => saidOf(c)).join(", ")}.`
      : null,
  ]
    .filter(Boolean)
    .join(" ");
}
