import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { labels, ladderRange, rungs } from "./ladder";

const mm = (value: number | null): Schemas["Result"] => ({
  value,
  unit: "mm",
  u: null,
  known: "computed",
  restsOn: [],
  cannot: value === null ? "not known" : null,
});

const corner = (
  droop: number | null,
  bump: number | null,
  rise = 0,
  standard: [number | null, number | null] = [null, null],
) =>
  ({
    corner: "LF",
    droop: mm(droop),
    bump: mm(bump),
    rise: mm(rise),
    standardDroop: mm(standard[0]),
    standardBump: mm(standard[1]),
  }) as Schemas["CornerOutlook"];

const mark = (what: string, atMm: number): Schemas["TravelMark"] => ({
  what,
  atMm,
  ends: false,
});

describe("ladder", () => {
  it("spans the longest travel of all corners, now and before", () => {
    const range = ladderRange([corner(70, 130), corner(40, 90, 50, [80, 130])]);
    // What was before is shifted by the rise: 130 up and 50 more.
    expect(range).toEqual({ low: -70, high: 180 });
  });

  it("keeps a little room where nothing is known", () => {
    expect(ladderRange([])).toEqual({ low: -40, high: 40 });
    expect(ladderRange([corner(null, null)])).toEqual({ low: -40, high: 40 });
  });

  it("has a rung each inch, ride height among them", () => {
    expect(rungs(-60, 30)).toEqual([-50.8, -25.4, 0, 25.4]);
    expect(rungs(-1, 1).map(Math.abs)).toEqual([0]);
  });

  it("keeps labels a line apart from each other and from the ride line", () => {
    const y = (at: number) => 100 - at;
    const placed = labels(
      [mark("a", 2), mark("b", 3), mark("c", 50), mark("d", -1), mark("e", -2)],
      y,
    );
    const heights = [...placed.map((p) => p.y), y(0)].toSorted((p, q) => p - q);
    for (const [i, h] of heights.entries()) {
      const before = heights[i - 1];
      if (before !== undefined) {
        expect(h - before).toBeGreaterThanOrEqual(13);
      }
    }
    // A label with room stands at its own place, and none changes sides.
    expect(placed.find((p) => p.what === "c")?.y).toBe(50);
    expect(placed.filter((p) => p.atMm < 0).every((p) => p.y > y(0))).toBe(
      true,
    );
  });
});
