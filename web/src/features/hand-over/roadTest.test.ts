import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { anglesOf } from "./alignment";
import { answersOf, filled, linesOf, withRest } from "./roadTest";

describe("a road test", () => {
  it("is typed again as it was stored, and sends what was tried alone", () => {
    const stored = {
      answers: [
        { question: "pull", trouble: "some", note: "to the left" },
        { question: "brakes", trouble: "none", note: null },
      ],
    } as Schemas["RoadTest"];
    expect(filled(answersOf(stored))).toEqual(stored.answers);
    expect(answersOf(undefined)).toEqual({});
  });

  it("leaves what was answered alone where the rest is fine, and keeps no note of nothing", () => {
    const all = withRest({ wander: { trouble: "much", note: " at 60 " } });
    expect(filled(all)).toHaveLength(8);
    expect(filled(all).find((a) => a.question === "wander")).toEqual({
      question: "wander",
      trouble: "much",
      note: "at 60",
    });
    expect(
      filled({ pull: { trouble: "none", note: "left" } })[0]?.note,
    ).toBeNull();
  });

  it("stands side by side with somebody else's in words", () => {
    expect(
      linesOf({ vibration: { trouble: "some", note: "from 55" } }),
    ).toMatchObject({ Vibrates: "a little, from 55", Wanders: "" });
  });
});

describe("a printout", () => {
  it("has no camber to set behind on a live axle", () => {
    expect(anglesOf(true).map(([a]) => a.key)).toEqual([
      "caster LF",
      "caster RF",
      "camberAngle LF",
      "camberAngle RF",
      "toeAngle LF",
      "toeAngle RF",
    ]);
    expect(anglesOf(false)).toHaveLength(10);
    expect(anglesOf(true)[0]?.[1]).toMatchObject({
      measure: "casterSet",
      says: "Caster, left front, as it left",
    });
  });
});
