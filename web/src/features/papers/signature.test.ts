import { describe, expect, it } from "vitest";
import { strokesOf } from "./signature";

describe("a signature", () => {
  it("is kept in a field of its own, whatever its size on the screen, and within it", () => {
    expect(
      strokesOf(
        [
          {
            points: [
              { x: 0, y: 0 },
              { x: 250, y: 75 },
              { x: 900, y: -5 },
            ],
          },
          { points: [] },
        ],
        500,
      ),
    ).toEqual([[0, 0, 500, 150, 1000, 0]]);
  });

  it("keeps the ends of a long stroke and no more than it needs", () => {
    const long = Array.from({ length: 3000 }, (_, i) => ({ x: i / 6, y: 10 }));
    const [kept] = strokesOf([{ points: long }], 500);
    expect(kept?.length).toBeLessThan(900);
    expect(kept?.slice(-2)).toEqual([1000, 20]);
  });
});
