import type { Unit } from "../../../api/client";
import { shown, text, type LengthUnit } from "../../../shared/length";

/** How a tape is divided: 1/8, 1/16, 1/32 in, or 1 mm. */
export interface Division {
  unit: LengthUnit;
  /** In inches: 8, 16 or 32; 1 for millimetres. */
  denominator: number;
}

/** The division of a walk-round's tape. */
export function divisionOf(q: { value: number; unit: Unit }): Division {
  return q.unit === "in"
    ? { unit: "in", denominator: Math.round(1 / q.value) }
    : { unit: "mm", denominator: 1 };
}

export function divisionMm(d: Division): number {
  return d.unit === "in" ? 25.4 / d.denominator : 1;
}

/** The nearest tick. */
export function snap(mm: number, d: Division): number {
  return Math.max(0, Math.round(mm / divisionMm(d)) * divisionMm(d));
}

/** A tick as a fitter would type it. */
export function typedTick(mm: number, d: Division): string {
  return text(shown(mm, d.unit, false, d.denominator)).replace(
    d.unit === "in" ? " in" : " mm",
    "",
  );
}

export interface Tick {
  mm: number;
  /** 0 is the longest: a whole inch or a whole centimetre. */
  rank: number;
  label: string | null;
}

/** The ticks between two heights of the tape. */
export function ticks(lowMm: number, highMm: number, d: Division): Tick[] {
  const step = divisionMm(d);
  const found: Tick[] = [];
  for (
    let n = Math.max(0, Math.ceil(lowMm / step));
    n * step <= highMm;
    n += 1
  ) {
    found.push({ mm: n * step, rank: rankOf(n, d), label: labelOf(n, d) });
  }
  return found;
}

function rankOf(n: number, d: Division): number {
  if (d.unit === "mm") {
    return n % 10 === 0 ? 0 : n % 5 === 0 ? 1 : 2;
  }
  let [rank, part] = [0, d.denominator];
  while (n % part !== 0) {
    part /= 2;
    rank += 1;
  }
  return rank;
}

function labelOf(n: number, d: Division): string | null {
  const whole = d.unit === "mm" ? 10 : d.denominator;
  return n % whole === 0
    ? String(d.unit === "mm" ? n : n / d.denominator)
    : null;
}

const fraction = /\s*\d+\/\d+\s*$/;
const nudge = /\s*[+-]\s*$/;

/** What a key of the keypad makes of the text: digits, fractions, strong or shy, and taking back. */
export function press(before: string, key: string): string {
  const plain = before.replace(nudge, "");
  if (key === "⌫") {
    return (
      plain !== before
        ? plain
        : fraction.test(before)
          ? before.replace(fraction, "")
          : before.slice(0, -1)
    ).trimEnd();
  }
  if (key === "+" || key === "-") {
    return plain === "" || (plain !== before && before.trimEnd().endsWith(key))
      ? plain
      : `${plain} ${key}`;
  }
  if (key.includes("/")) {
    const whole = plain.replace(fraction, "").trim();
    return whole === "" ? key : `${whole} ${key}`;
  }
  // A digit after a fraction begins the next number.
  return fraction.test(plain) ? key : plain + key;
}

/** The fraction keys of a division, smallest first. */
export function fractionKeys(d: Division): string[] {
  if (d.unit === "mm") {
    return [];
  }
  const keys: string[] = [];
  for (let n = 1; n < d.denominator; n += 1) {
    keys.push(typedTick((n * 25.4) / d.denominator, d));
  }
  return keys;
}
