import { describe, expect, it } from "vitest";
import { agoSays, marks, movedSays, scale, tyreSpans } from "./years";

describe("a vehicle over the years", () => {
  it("says that springs moved only beyond what the tape can show", () => {
    const of = (value: number) => movedSays({ value, u: 2, cannot: null });
    expect(of(-4)).toBe("held");
    expect(of(-4.1)).toBe("came down");
    expect(of(4.1)).toBe("rose");
    expect(movedSays({ value: null, u: null, cannot: "Read both." })).toBe(
      "Read both.",
    );
  });

  it("tells time as a person does", () => {
    expect(agoSays(45)).toBe("45 days");
    expect(agoSays(365)).toBe("12 months");
    expect(agoSays(560)).toBe("18 months");
    expect(agoSays(1100)).toBe("3 years");
  });

  it("puts the least and the greatest on the ends, and one alone in the middle", () => {
    const x = scale(10, 20, 100, 300);
    expect([x(10), x(15), x(20)]).toEqual([100, 200, 300]);
    expect(scale(10, 10, 100, 300)(10)).toBe(200);
    expect(marks(500, 560, 25.4)).toEqual([508, 533.4, 558.8]);
  });

  it("says on which tyres it was seen, and nothing of rounds that note none", () => {
    const round = (day: number, ...tyres: string[]) => ({
      at: `2026-01-0${String(day)}`,
      tyres,
    });
    expect(
      tyreSpans([
        round(1, "265/70R17"),
        round(2),
        round(3, "265/70R17"),
        round(4, "285/70R17", "275/70R17"),
        round(5, "275/70R17", "285/70R17"),
        round(6),
      ]),
    ).toEqual([
      { sizes: "265/70R17", from: "2026-01-01", to: "2026-01-03" },
      {
        sizes: "275/70R17 and 285/70R17",
        from: "2026-01-04",
        to: "2026-01-05",
      },
    ]);
    expect(tyreSpans([round(1)])).toEqual([]);
  });
});
