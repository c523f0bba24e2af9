import type { Schemas, Unit } from "../api/client";
import { stationWords } from "../api/words";
import type { LengthUnit } from "./length";

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

/** A stored length or weight as it was typed, with its unit, whatever unit the field has; estimates start empty. */
export function retypedWithUnit(q: Schemas["Quantity"] | null): string {
  return q === null || q.known === "estimated" ? "" : quantityText(q);
}

export function isLength(q: Schemas["Quantity"]): boolean {
  return q.unit === "mm" || q.unit === "in";
}

export { knownWords } from "../api/words";

/** Stations as they head a line. */
export const cornerWords: Record<string, string> = Object.fromEntries(
  Object.entries(stationWords).map(([station, said]) => [
    station,
    said.replace(/^./, (c) => c.toUpperCase()),
  ]),
);

/** A weight in pounds or kilograms. */
export const weightText = (kg: number, length: LengthUnit) =>
  `${Math.round(length === "in" ? kg * 2.2046226 : kg)
    .toLocaleString("en-GB")
    .replace("-", "−")} ${length === "in" ? "lb" : "kg"}`;
