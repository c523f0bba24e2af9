import { describe, expect, it } from "vitest";
import { comebackBody, comebackText } from "../hand-over/comebackText";
import { hoursSay, rangeSays, rightSays } from "./year";

describe("a share", () => {
  it("is said with the range that chance leaves it, and of no case nothing", () => {
    expect(
      rangeSays({ count: 41, of: 52, value: 0.788, low: 0.66, high: 0.878 }),
    ).toBe("79 %; by so few, really from 66 % to 88 %");
    expect(
      rangeSays({ count: 0, of: 0, value: null, low: null, high: null }),
    ).toBe("");
  });
});

describe("jobs that left", () => {
  const year = {
    year: 2026,
    jobs: 3,
    right: { count: 1, of: 2, value: 0.5, low: 0.1, high: 0.9 },
    untold: 0,
    notFitted: 0,
    comebacks: { count: 0, of: 3, value: 0, low: 0, high: 0.6 },
    comebackFor: [],
    comebackCauses: [],
    unexplained: 0,
    causes: [],
    hours: { jobs: 0, usual: 0, taken: 0, quarter: null, threeQuarters: null },
    months: [],
  };
  it("are told with what is in no share", () => {
    expect(rightSays(year)).toBe("3 jobs left.");
    expect(rightSays({ ...year, jobs: 1, untold: 1 })).toBe(
      "1 job left; of 1 job nobody can tell: not read again, not settled, or too near the edge.",
    );
    expect(rightSays({ ...year, untold: 2, notFitted: 1 })).toContain(
      "in 1 job nothing was fitted.",
    );
  });
});

describe("hours", () => {
  it("are told beside what is usual, with their middle half where there is one", () => {
    const h = {
      jobs: 2,
      usual: 8,
      taken: 10,
      quarter: null,
      threeQuarters: null,
    };
    expect(hoursSay(h)).toBe(
      "Of 2 jobs with noted steps: 8.0 h are usual, 10 h it took, 125 %.",
    );
    expect(hoursSay({ ...h, quarter: 0.8, threeQuarters: 1.3 })).toContain(
      "Half of the jobs took between 80 % and 130 % of what is usual.",
    );
    expect(hoursSay({ ...h, jobs: 0 })).toContain("Nobody noted yet");
  });
});

describe("a comeback as it is typed", () => {
  it("comes back as it was sent, and what nobody said is nothing", () => {
    const said = {
      for: "noise" as const,
      words: "clunks",
      cause: null,
      found: null,
    };
    expect(comebackBody(comebackText(said))).toEqual(said);
    expect(comebackBody({ for: "", words: "" }).for).toBeNull();
  });
});
