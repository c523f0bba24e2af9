import type { Schemas } from "../../api/client";
import type { LengthUnit } from "../../shared/length";
import { fieldUnit } from "../../shared/suspensions";

/** What a field shows until somebody types: the example, in the person's unit. */
export function exampleOf(
  field: Schemas["BenchField"],
  unit: LengthUnit,
): string {
  if (field.example === "") {
    return "";
  }
  if (field.asks === "point") {
    return unit === "in"
      ? field.example
          .split(";")
          .map((mm) => signed(Number(mm) / 25.4))
          .join("; ")
      : field.example;
  }
  const n = Number(field.example);
  switch (field.unit && fieldUnit(field.unit, unit)) {
    case "in":
      // Sixteenths, as a tape has them.
      return sixteenths(n / 25.4);
    case "lb/in":
      return (n / 0.1751268).toFixed(0);
    case "lb":
      return (n / 0.45359237).toFixed(0);
    default:
      return field.example;
  }
}

const signed = (inches: number) =>
  inches < 0 ? `-${sixteenths(-inches)}` : sixteenths(inches);

function sixteenths(inches: number): string {
  const n = Math.round(inches * 16);
  const [whole, rest] = [Math.floor(n / 16), n % 16];
  let [top, under] = [rest, 16];
  while (top > 0 && top % 2 === 0) {
    [top, under] = [top / 2, under / 2];
  }
  return [
    whole > 0 || top === 0 ? whole.toString() : null,
    top > 0 ? `${top.toString()}/${under.toString()}` : null,
  ]
    .filter((s) => s !== null)
    .join(" ");
}

/** The numbers of an answer that are lengths or ratios, by their place. */
export const valueAt = (
  answer: Schemas["BenchAnswer"] | undefined,
  i: number,
) => answer?.numbers[i]?.result.value ?? null;

/** Newtons a millimetre in pounds an inch. */
const lbPerIn = 25.4 / 4.4482216152605;

/** A rate as somebody reads it who reads inches; anything else as it is. */
export const inReadersUnit = (
  r: Schemas["Result"],
  unit: LengthUnit,
): Schemas["Result"] =>
  r.unit === "N/mm" && unit === "in"
    ? {
        ...r,
        unit: "lb/in",
        value: r.value === null ? null : r.value * lbPerIn,
        u: r.u === null ? null : r.u * lbPerIn,
      }
    : r;

/** A number that is no length. */
export function numberSays(r: Schemas["Result"]): string {
  if (r.value === null) {
    return r.cannot ?? "";
  }
  const unit = r.unit === "1" ? "" : r.unit === "°" ? "°" : ` ${r.unit}`;
  const digits = Math.abs(r.value) >= 100 ? 0 : Math.abs(r.value) >= 10 ? 1 : 2;
  const shown = r.value.toFixed(digits);
  // Nothing is neither above nor below itself.
  const signed =
    Number(shown) === 0 ? shown.replace("-", "") : shown.replace("-", "−");
  return `${signed}${unit}${r.u === null ? "" : ` ± ${(2 * r.u).toFixed(digits)}${unit}`}`;
}

/** A length as it is drawn at full size: a tenth of a millimetre, which a tape does not read, and the inches beside it. */
export function drawnSays(r: Schemas["Result"], unit: LengthUnit): string {
  if (r.value === null) {
    return r.cannot ?? "";
  }
  const u = r.u === null ? "" : ` ± ${(2 * r.u).toFixed(1)}`;
  const inches = unit === "in" ? ` (${(r.value / 25.4).toFixed(3)} in)` : "";
  return `${r.value.toFixed(1)}${u} mm${inches}`;
}

/** What goes into a job that starts with these: the wish in words, and the tyres. */
export function jobOf(
  sheet: Schemas["BenchSheet"],
  texts: Record<string, string>,
): URLSearchParams {
  const said = sheet.fields
    .filter((f) => (texts[f.name] ?? "") !== "")
    .map((f) => `${f.label.toLowerCase()} ${texts[f.name] ?? ""}`);
  return new URLSearchParams({
    wish: `${sheet.said}: ${said.join(", ")}`,
    ...(texts.now ? { tyre: texts.now } : {}),
  });
}
