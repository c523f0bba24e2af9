import { shown, text, type LengthUnit } from "../../../shared/length";
import { weightText } from "../../../shared/quantity";
import { derivedWords, stationWords } from "../../../api/words";

/** A place of a measure as said in a bay. */
export function placeWords(place: string): string {
  return (
    stationWords[place] ??
    { front: "front axle", rear: "rear axle", vehicle: "vehicle" }[place] ??
    place
  );
}

/** What a measure, or a value that follows from measures, is called. */
export function measureTitle(
  key: string,
  all: readonly { key: string; title: string }[],
): string {
  return derivedWords[key] ?? all.find((m) => m.key === key)?.title ?? key;
}

/** A computed or measured value with its ±, in the person's unit. */
export function valueText(
  r: {
    value: number | null;
    u: number | null;
    unit: string;
    cannot: string | null;
  },
  unit: LengthUnit,
): string {
  if (r.value === null) {
    return r.cannot ?? "";
  }
  if (r.unit === "°") {
    const u = r.u === null ? "" : ` ± ${(Math.ceil(20 * r.u) / 10).toFixed(1)}`;
    return `${r.value < 0 ? "−" : ""}${Math.abs(r.value).toFixed(1)}${u}°`;
  }
  if (r.unit === "1") {
    const u = r.u === null ? "" : ` ± ${(Math.ceil(20 * r.u) / 10).toFixed(1)}`;
    return `${r.value.toFixed(1)}${u}`;
  }
  return r.unit === "kg"
    ? weightText(r.value, unit)
    : text(shown(r.value, unit));
}

/** Which stand-in takes a measure, if there is one. */
export function instrumentFor(
  measure: string,
  instruments: readonly { key: string; name: string; measures: string[] }[],
) {
  return instruments.find((i) => i.measures.includes(measure));
}
