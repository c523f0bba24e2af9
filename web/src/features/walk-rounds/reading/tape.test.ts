import { describe, expect, it } from "vitest";
import {
  divisionOf,
  fractionKeys,
  press,
  snap,
  ticks,
  typedTick,
  type Division,
} from "./tape";

const sixteenths: Division = { unit: "in", denominator: 16 };
const mm: Division = { unit: "mm", denominator: 1 };

describe("the keypad", () => {
  const keys = (...pressed: string[]) => pressed.reduce(press, "");

  it("writes a height as a fitter would type it", () => {
    expect(keys("3", "5", "1/2")).toBe("35 1/2");
    expect(keys("1/2")).toBe("1/2");
    expect(keys("5", "2", "0")).toBe("520");
  });

  it("changes its mind about the fraction, and takes it back whole", () => {
    expect(keys("3", "5", "1/2", "9/16")).toBe("35 9/16");
    expect(keys("3", "5", "1/2", "⌫")).toBe("35");
    expect(keys("3", "5", "⌫")).toBe("3");
    expect(keys("⌫")).toBe("");
  });

  it("marks strong and shy, and takes the mark back", () => {
    expect(keys("3", "5", "1/2", "+")).toBe("35 1/2 +");
    expect(keys("3", "5", "+", "-")).toBe("35 -");
    expect(keys("3", "5", "+", "+")).toBe("35");
    expect(keys("3", "5", "+", "⌫")).toBe("35");
    expect(keys("+")).toBe("");
  });

  it("begins the next number after a fraction", () => {
    expect(keys("3", "5", "1/2", "2")).toBe("2");
  });

  it("has every fraction of the division, reduced", () => {
    expect(fractionKeys({ unit: "in", denominator: 8 })).toEqual([
      "1/8",
      "1/4",
      "3/8",
      "1/2",
      "5/8",
      "3/4",
      "7/8",
    ]);
    expect(fractionKeys(sixteenths)).toHaveLength(15);
    expect(fractionKeys(mm)).toEqual([]);
  });
});

describe("the tape", () => {
  it("goes to the nearest tick of its division", () => {
    expect(typedTick(snap(901, sixteenths), sixteenths)).toBe("35 1/2");
    expect(typedTick(snap(901.4, mm), mm)).toBe("901");
    expect(snap(-5, mm)).toBe(0);
  });

  it("reads its division from the walk-round", () => {
    expect(divisionOf({ value: 1 / 32, unit: "in" }).denominator).toBe(32);
    expect(divisionOf({ value: 1, unit: "mm" }).unit).toBe("mm");
  });

  it("has an inch, a half, four eighths and so on, longest first", () => {
    const inch = ticks(25.4, 50.8 - 0.01, sixteenths);
    expect(inch).toHaveLength(16);
    expect([0, 1, 2, 3, 4].map((r) => inch.filter((t) => t.rank === r).length))
      // whole, half, quarters, eighths, sixteenths
      .toEqual([1, 1, 2, 4, 8]);
    expect(inch.map((t) => t.label).filter(Boolean)).toEqual(["1"]);
    expect(
      ticks(0, 20, mm)
        .map((t) => t.label)
        .filter(Boolean),
    ).toEqual(["0", "10", "20"]);
  });
});
