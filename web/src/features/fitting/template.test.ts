import { expect, test } from "vitest";
import { stripFor } from "./template";

test("a short distance is printed whole, from the edge on", () => {
  expect(stripFor(76.2, 12)).toEqual({ taped: 0, run: 76.2, length: 90.2 });
});

test("a long one is taped to a line, and its last 100 mm are printed", () => {
  expect(stripFor(640, 12)).toEqual({ taped: 540, run: 100, length: 114 });
});

test("no strip is wider than A4 and Letter print", () => {
  for (let mm = 0; mm < 2000; mm += 0.5) {
    for (const size of [0, 6, 14, 60]) {
      const strip = stripFor(mm, size);
      expect(strip.length).toBeLessThanOrEqual(170);
      expect(strip.taped + strip.run).toBeCloseTo(mm, 9);
      expect(strip.taped).toBeGreaterThanOrEqual(0);
    }
  }
});
