import type { Schemas } from "../api/client";
import { partWords } from "../api/words";

/** A text without case and accents. */
export const plain = (text: string) =>
  text
    .toLowerCase()
    .normalize("NFD")
    .replace(/[\u0300-\u036f]/g, "");

/** What a part is found by, made once. */
const texts = new WeakMap<Schemas["Part"], string>();

function textOf(part: Schemas["Part"]): string {
  const made = texts.get(part);
  if (made !== undefined) {
    return made;
  }
  const words = partWords[part.kind];
  const text = plain(
    [part.name, part.number, words.said, ...words.also, part.madeFor].join(" "),
  );
  texts.set(part, text);
  return text;
}

/** Whether a part is what is looked for: each word stands in its name, its number, its kind, or in another name of its kind. */
export function isPart(part: Schemas["Part"], find: string): boolean {
  const text = textOf(part);
  return plain(find)
    .split(/\s+/)
    .every((word) => text.includes(word));
}
