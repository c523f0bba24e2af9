import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { gradeSays } from "./grade";

const axle = (grade: Schemas["RatioGrade"]): Schemas["AxleView"] => ({
  axle: "front",
  said: "strut",
  grade,
  motionRatio: 0.57344,
  liftRatio: 1.7439,
  liftRatioSd: 0.0872,
});

describe("grade", () => {
  it("says on what a ratio rests, each by its own sign, with twice its deviation", () => {
    expect(gradeSays(axle("taped"))).toBe(
      "● One inch of plate lifts about 1.74 in ± 0.17: by its own points (motion ratio 0.573).",
    );
    expect(gradeSays(axle("archetype"))).toContain("◐");
    expect(gradeSays(axle("archetype"))).toContain("a usual strut, fitted");
    expect(gradeSays(axle("ruleOfThumb"))).toContain(
      "○ One inch of plate lifts about 1.74 in ± 0.17: a rule of thumb",
    );
  });
});
