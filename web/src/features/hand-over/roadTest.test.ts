import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { anglesOf } from "./alignment";
import { answersOf, filled, linesOf, withRest } from "./roadTest";
import { strokesOf } from "./signature";

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
