import type { Schemas } from "../../api/client";

/** Least and greatest that all ladders of a plan share, so that they can be compared, mm from ride height. */
export function ladderRange(corners: Schemas["CornerOutlook"][]) {
  const at = corners.flatMap((c) => [
    -(c.droop.value ?? 0),
    c.bump.value ?? 0,
    -(c.standardDroop.value ?? 0) + (c.rise.value ?? 0),
    (c.standardBump.value ?? 0) + (c.rise.value ?? 0),
  ]);
  return { low: Math.min(-40, ...at), high: Math.max(40, ...at) };
}

/** A rung each inch. */
export function rungs(low: number, high: number): number[] {
  const inch = 25.4;
  const all: number[] = [];
  for (let n = Math.ceil(low / inch); n * inch <= high; n++) {
    all.push(n * inch);
  }
  return all;
}

/** Labels that keep a line's height from each other and from the ride line. */
export function labels(
  marks: Schemas["TravelMark"][],
  y: (mm: number) => number,
): (Schemas["TravelMark"] & { y: number })[] {
  const line = 13;
  const ride = y(0);
  const above = marks
    .filter((m) => m.atMm >= 0)
    .toSorted((a, b) => a.atMm - b.atMm);
  const below = marks
    .filter((m) => m.atMm < 0)
    .toSorted((a, b) => b.atMm - a.atMm);
  let up = ride - 2;
  let down = ride + 2;
  return [
    ...above.map((m) => {
      up = Math.min(y(m.atMm), up - line);
      return { ...m, y: up };
    }),
    ...below.map((m) => {
      down = Math.max(y(m.atMm), down + line);
      return { ...m, y: down };
    }),
  ];
}
