import { otherNames } from "../../api/words";
import type { Schemas } from "../../api/client";
import { plain } from "../../shared/parts";

/** The other names of what meets in a joint. */
export const alsoCalled = (place: string): string[] => [
  ...new Set(
    Object.entries(otherNames).flatMap(([word, others]) =>
      plain(place).includes(plain(word)) ? others : [],
    ),
  ),
];

/** Whether a joint is what is looked for: each word stands in its place or in another name of what meets there. */
export function isJoint(place: string, find: string): boolean {
  const text = plain([place, ...alsoCalled(place)].join(" "));
  return plain(find)
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** The same joint on the other side of the vehicle, as far as it is one and waits for its spec; null for one in the middle. */
export function otherSide(
  joint: Schemas["Joint"],
  joints: Schemas["Joint"][],
): Schemas["Joint"] | null {
  const [, side = "", rest = ""] = /^([LR])([FR] .+)$/.exec(joint.place) ?? [];
  const place = `${side === "L" ? "R" : "L"}${rest}`;
  return (
    joints.find(
      (j) =>
        side !== "" &&
        j.place === place &&
        j.kind === joint.kind &&
        !j.none &&
        j.spec === null,
    ) ?? null
  );
}
