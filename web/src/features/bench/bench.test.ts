import { describe, expect, it } from "vitest";
import type { Schemas, Unit } from "../../api/client";
import {
  drawnSays,
  exampleOf,
  inReadersUnit,
  jobOf,
  numberSays,
} from "./bench";

const field = (unit: Unit | null, example: string): Schemas["BenchField"] => ({
  name: "f",
  label: "F",
  unit,
  example,
  optional: false,
  positive: true,
  asks: unit ? "number" : "tyreSize",
});
const result = (value: number, unit: Unit, u: number | null = null) => ({
  value,
  unit,
  u,
  known: "computed" as const,
  restsOn: [],
  cannot: null,
});

describe("an example", () => {
  it("is shown in the person's unit, lengths to a sixteenth", () => {
    expect(exampleOf(field("mm", "520"), "mm")).toBe("520");
    expect(exampleOf(field("mm", "520"), "in")).toBe("20 1/2");
    expect(exampleOf(field("mm", "8"), "in")).toBe("5/16");
    expect(exampleOf(field("mm", "25.4"), "in")).toBe("1");
    expect(exampleOf(field("N/mm", "100"), "in")).toBe("571");
    expect(exampleOf(field("kg", "600"), "in")).toBe("1323");
    expect(exampleOf(field(null, "265/70R17"), "in")).toBe("265/70R17");
    expect(exampleOf(field("mm", ""), "in")).toBe("");
    const point = { ...field("mm", "150; -240; 8"), asks: "point" as const };
    expect(exampleOf(point, "mm")).toBe("150; -240; 8");
    expect(exampleOf(point, "in")).toBe("5 7/8; -9 7/16; 5/16");
  });
});

describe("a number that is no length", () => {
  it("has as many digits as it is worth, and its ±", () => {
    expect(numberSays(result(1.9, "1", 0.315))).toBe("1.90 ± 0.63");
    expect(numberSays(result(63.4, "1"))).toBe("63.4");
    expect(numberSays(result(124.2, "N/mm", 24.8))).toBe("124 N/mm ± 50 N/mm");
    expect(numberSays(result(0.93, "°"))).toBe("0.93°");
    expect(numberSays(result(-1.921, "°", 0.07))).toBe("−1.92° ± 0.14°");
    expect(numberSays(result(-0.004, "°"))).toBe("0.00°");
  });
});

it("says a drawn length to a tenth, with what it rests on", () => {
  expect(drawnSays(result(60, "mm"), "mm")).toBe("60.0 mm");
  expect(drawnSays(result(60, "mm", 0.15), "in")).toBe(
    "60.0 ± 0.3 mm (2.362 in)",
  );
});

describe("a job that starts from the bench", () => {
  it("takes along what was typed as the wish, and a tyre's size", () => {
    const sheet: Schemas["BenchSheet"] = {
      name: "tyre",
      said: "Another tyre",
      paper: false,
      fields: [
        { ...field(null, "265/70R17"), name: "now", label: "Size now" },
        { ...field("1", ""), name: "ratio", label: "Axle ratio" },
      ],
    };
    const to = jobOf(sheet, { now: "33x12.50R15", ratio: "" });
    expect(to.get("wish")).toBe("Another tyre: size now 33x12.50R15");
    expect(to.get("tyre")).toBe("33x12.50R15");
  });
});

it("reads a rate in the reader's unit", () => {
  const rate = { value: 20, u: 1, unit: "N/mm", cannot: null, basis: [] };
  // 20 N/mm are 2000 N on 100 mm: 449.6 lb on 3.937 in.
  expect(numberSays(inReadersUnit(rate as never, "in"))).toBe(
    "114 lb/in ± 11 lb/in",
  );
  expect(inReadersUnit(rate as never, "mm")).toBe(rate);
});
