import type { Schemas, Unit } from "../api/client";
import { stationWords } from "../api/words";

export type QuantityInput = Schemas["QuantityInput"];

/** What a field sends: nothing when it is empty. */
export function typed(
  text: string,
  unit: Unit,
  known: Schemas["Known"] = "measured",
  answers: string[] = [],
): QuantityInput | null {
  return text.trim() === "" ? null : { typed: text, unit, known, answers };
}

/** A stored quantity as it was typed, ready to be edited; estimates start empty. */
export function retyped(q: Schemas["Quantity"] | null): string {
  return q === null || q.known === "estimated"
    ? ""
    : (q.typed ?? String(q.value));
}

/** A stored quantity as it was typed, with its unit. */
export function quantityText(q: Schemas["Quantity"]): string {
  const said = q.typed ?? String(q.value);
  return /[a-z°"″'′]/i.test(said)
    ? said
    : `${said} ${q.unit}`.replace(" °", "°");
}

/** A stored length as it was typed, with its unit, whatever unit the field has; estimates start empty. */
export function retypedLength(q: Schemas["Quantity"] | null): string {
  return q === null || q.known === "estimated" ? "" : quantityText(q);
}

export function isLength(q: Schemas["Quantity"]): boolean {
  return q.unit === "mm" || q.unit === "in";
}

export const knownWords: Record<Schemas["Known"], string> = {
  measured: "measured",
  document: "from a document",
  box: "read off a box",
  told: "told",
  byEye: "by eye",
  estimated: "estimated",
  archetype: "archetype",
  computed: "computed",
};

/** Stations as they head a line. */
export const cornerWords: Record<string, string> = Object.fromEntries(
  Object.entries(stationWords).map(([station, said]) => [
    station,
    said.replace(/^./, (c) => c.toUpperCase()),
  ]),
);
