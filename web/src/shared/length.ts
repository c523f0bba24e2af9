import type { Unit } from "../api/client";

export type LengthUnit = "in" | "mm";

export interface Shown {
  sign: string;
  whole: string;
  numerator: string;
  denominator: string;
  unit: LengthUnit;
}

/** The smallest division that is shown, as its denominator in inches; millimetres are whole. */
const usual = 16;

const division = (unit: LengthUnit, denominator: number) =>
  unit === "mm" ? 1 : 25.4 / denominator;

function parts(
  count: number,
  unit: LengthUnit,
  signed: boolean,
  least = usual,
): Shown {
  const sign = count < 0 ? "−" : signed && count > 0 ? "+" : "";
  const n = Math.abs(count);
  if (unit === "mm") {
    return { sign, whole: String(n), numerator: "", denominator: "", unit };
  }
  let [numerator, denominator] = [n % least, least];
  while (numerator > 0 && numerator % 2 === 0) {
    [numerator, denominator] = [numerator / 2, denominator / 2];
  }
  const whole = Math.floor(n / least);
  return {
    sign,
    whole: whole > 0 || numerator === 0 ? String(whole) : "",
    numerator: numerator > 0 ? String(numerator) : "",
    denominator: numerator > 0 ? String(denominator) : "",
    unit,
  };
}

/** A length as a tape shows it: nearest division, reduced, or whole millimetres. */
export function shown(
  mm: number,
  unit: LengthUnit,
  signed = false,
  denominator = usual,
): Shown {
  return parts(
    Math.sign(mm) * Math.round(Math.abs(mm) / division(unit, denominator)),
    unit,
    signed,
    denominator,
  );
}

/** An expanded uncertainty (k = 2), rounded up to the division. */
export function shownU(u: number, unit: LengthUnit): Shown {
  return parts(Math.ceil((2 * u) / division(unit, usual) - 1e-9), unit, false);
}

/** As plain text, for labels, speech and titles. */
export function text(s: Shown): string {
  const fraction = s.numerator ? `${s.numerator}/${s.denominator}` : "";
  return `${s.sign}${[s.whole, fraction].filter(Boolean).join(" ")} ${s.unit}`;
}

export function showText(mm: number, unit: LengthUnit, signed = false): string {
  return text(shown(mm, unit, signed));
}

const toMm: Record<string, number> = { mm: 1, cm: 10, in: 25.4 };

/** A stored length in mm. */
export function inMm(q: { value: number; unit: Unit }): number {
  const factor = toMm[q.unit];
  if (factor === undefined) {
    throw new Error(`${q.unit} is no length`);
  }
  return q.value * factor;
}
