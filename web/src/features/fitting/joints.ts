import { otherNames } from "../../api/words";
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
