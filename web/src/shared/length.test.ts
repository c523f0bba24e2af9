import { describe, expect, it } from "vitest";
import { inMm, showText, shownU, text } from "./length";

describe("lengths as a tape shows them", () => {
  it.each([
    [901.7, "35 1/2 in"],
    [9.525, "3/8 in"],
    [25.4, "1 in"],
    [0.2, "0 in"],
    [-28.575, "−1 1/8 in"],
  ])("%d mm is %s", (mm, expected) => {
    expect(showText(mm, "in")).toBe(expected);
  });

  it("shows whole millimetres", () => {
    expect(showText(901.7, "mm")).toBe("902 mm");
  });

  it("signs a difference, but not nothing", () => {
    expect(showText(6.35, "in", true)).toBe("+1/4 in");
    expect(showText(0.1, "in", true)).toBe("0 in");
  });

  it("rounds an uncertainty up, at k = 2", () => {
    expect(text(shownU(2.59, "in"))).toBe("1/4 in");
    expect(text(shownU(25.4 / 32, "in"))).toBe("1/16 in");
  });

  it("reads stored lengths in any unit and refuses others", () => {
    expect(inMm({ value: 2, unit: "in" })).toBeCloseTo(50.8);
    expect(() => inMm({ value: 2, unit: "kg" })).toThrow();
  });
});
