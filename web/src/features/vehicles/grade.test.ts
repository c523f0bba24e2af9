import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { gradeSays } from "./grade";

const axle = (grade: Schemas["RatioGrade"]): Schemas["AxleView"] => ({
  axle: "front",
  kind: "strut",
  said: "strut",
  grade,
  motionRatio: 0.57344,
  liftRatio: 1.7439,
  liftRatioSd: 0.0872,
  turn: null,
  turnWasRead: false,
  heightControl: null,
});

describe("grade", () => {
  it("says on what a ratio rests, each by its own sign, with twice its deviation", () => {
    expect(gradeSays(axle("taped"), "in")).toBe(
      "● One inch of plate lifts about 1.74 in ± 0.17: by its own points (motion ratio 0.573).",
    );
    expect(gradeSays(axle("archetype"), "in")).toContain("◐");
    expect(gradeSays(axle("archetype"), "in")).toContain(
      "a usual strut, fitted",
    );
    expect(gradeSays(axle("ruleOfThumb"), "in")).toContain(
      "○ One inch of plate lifts about 1.74 in ± 0.17: a rule of thumb",
    );
  });

  it("says of torsion bars what a turn lifts, and of a held axle that plates lift nothing", () => {
    const bars = { ...axle("ruleOfThumb"), kind: "torsionBarArm" as const };
    expect(gradeSays(bars, "mm")).toContain("not known yet");
    const turn = { mean: 12, sd: 0.72 };
    expect(gradeSays({ ...bars, turn }, "mm")).toBe(
      "◐ One turn of the adjusters lifts 12 mm ± 1 mm: by arm, bar, lever and pitch.",
    );
    expect(gradeSays({ ...bars, turn, turnWasRead: true }, "mm")).toContain(
      "● One turn",
    );
    expect(
      gradeSays({ ...axle("taped"), heightControl: "twoSensors" }, "in"),
    ).toContain("plates lift nothing here");
  });
});
