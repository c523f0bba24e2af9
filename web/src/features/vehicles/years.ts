import type { Schemas } from "../../api/client";

/** Whether springs held, came down or rose, beyond what the tape can show. */
export function movedSays(
  moved: Pick<Schemas["Result"], "value" | "u" | "cannot"> | null,
): string {
  if (moved?.value == null) {
    return moved?.cannot ?? "";
  }
  return Math.abs(moved.value) <= 2 * (moved.u ?? 0)
    ? "held"
    : moved.value < 0
      ? "came down"
      : "rose";
}

/** So many days, as a person says it. */
export function agoSays(days: number): string {
  if (days < 60) {
    return `${String(Math.round(days))} days`;
  }
  const months = Math.round(days / 30.44);
  if (months < 24) {
    return `${String(months)} months`;
  }
  const years = Math.round((months / 12) * 2) / 2;
  return `${String(years)} years`;
}

/** Where something lies on a plot: a range of time or height to a range of pixels. */
export const scale =
  (from: number, to: number, start: number, end: number) =>
  (value: number): number =>
    to === from
      ? (start + end) / 2
      : start + ((value - from) / (to - from)) * (end - start);

/** Heights at which lines are drawn, mm: full inches, or full centimetres. */
export function marks(low: number, high: number, step: number): number[] {
  const found = [];
  for (let at = Math.ceil(low / step) * step; at <= high; at += step) {
    found.push(at);
  }
  return found;
}

/** The same tyres from one round to a later one; a round that notes none says nothing of them. */
export interface TyreSpan {
  sizes: string;
  from: string;
  to: string;
}

/** Which tyres it stood on, from when to when they were seen on it. */
export function tyreSpans(
  rounds: readonly Pick<Schemas["YearRound"], "at" | "tyres">[],
): TyreSpan[] {
  const spans: TyreSpan[] = [];
  for (const { at, tyres } of rounds.filter((r) => r.tyres.length > 0)) {
    const sizes = tyres.toSorted().join(" and ");
    const last = spans.at(-1);
    if (last?.sizes === sizes) {
      last.to = at;
    } else {
      spans.push({ sizes, from: at, to: at });
    }
  }
  return spans;
}
