import { describe, expect, it } from "vitest";
import { after } from "./answer";
import type { JobView } from "./client";
import type { JobAnswer } from "./letters";

const view = {
  document: {
    job: { id: "j", wish: null },
    steps: [{ id: "1" }, { id: "3" }],
  },
  results: { walkRounds: [], proofs: ["kept"] },
  progress: { says: "before" },
  version: 4,
  versions: { j: 10, p: 20 },
} as unknown as JobView;

const answer: JobAnswer = {
  outcomes: [],
  from: 4,
  version: 5,
  rows: [
    { list: "steps", id: "2", row: { id: "2" } },
    { list: "steps", id: "3", row: null },
    { list: "job", id: "j", row: { id: "j", wish: "level" } },
  ],
  versions: { j: 11 },
  sections: {
    walkRounds: ["new"],
    progress: { says: "after" },
  } as unknown as JobAnswer["sections"],
};

describe("a job after an answer", () => {
  it("has the rows and what is computed as they are now, and keeps the rest", () => {
    expect(after(view, answer)).toEqual({
      document: {
        job: { id: "j", wish: "level" },
        steps: [{ id: "1" }, { id: "2" }],
      },
      results: { walkRounds: ["new"], proofs: ["kept"] },
      progress: { says: "after" },
      version: 5,
      versions: { j: 11, p: 20 },
    });
  });

  it("is asked for anew when a version was missed, and stays when nothing changed", () => {
    expect(after(view, { ...answer, from: 5, version: 6 })).toBeNull();
    expect(after(view, { ...answer, from: 4, version: 4 })).toBe(view);
  });
});
