import { describe, expect, it } from "vitest";
import { heads, nearSays } from "./verdict";

const words = (
  asWanted: Parameters<typeof heads>[0]["asWanted"],
  asForetold: Parameters<typeof heads>[0]["asForetold"],
) => heads({ asWanted, asForetold }).map((h) => h.word);

describe("the heads of a proof", () => {
  it("are two verdicts with two words, the wish first", () => {
    expect(words("reached", "notReached")).toEqual([
      "Sits as wanted",
      "Not where foretold",
    ]);
    expect(words("notReached", "reached")).toEqual([
      "Not as wanted",
      "Landed where foretold",
    ]);
  });

  it("are one where nothing was wanted, and where neither can be told", () => {
    expect(words(null, "reached")).toEqual(["Landed where foretold"]);
    expect(words("measureAgain", "measureAgain")).toEqual([
      "Measure again: no verdict yet",
    ]);
    expect(words("cannotTell", "cannotTell")).toEqual(["No verdict yet"]);
    expect(words("measureAgain", "reached")).toHaveLength(2);
  });
});

describe("a station", () => {
  const station = (near: boolean | null, predictionRight: boolean | null) =>
    nearSays({ near, predictionRight } as Parameters<typeof nearSays>[0]);

  it("is near to the plan or far from it, and says when that was not foreseen", () => {
    expect(station(true, true)).toBe("● near");
    expect(station(false, true)).toBe("■ far");
    expect(station(false, false)).toBe("■ far, outside its ±");
    expect(station(null, null)).toBe("○ not read");
  });
});
