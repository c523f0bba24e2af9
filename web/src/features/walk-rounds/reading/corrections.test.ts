import { describe, expect, it } from "vitest";
import type { Doc } from "../../../api/document";
import { corrections } from "./corrections";

function reading(id: string, more: object) {
  return {
    id,
    walkRoundId: "w",
    measure: null,
    place: { name: "LF" },
    from: "hub",
    ownMark: null,
    value: null,
    note: null,
    skipped: false,
    supersedes: null,
    reason: null,
    personId: "p",
    ...more,
  };
}

function inches(typed: string, value: number) {
  return { value, unit: "in", known: "measured", typed };
}

describe("corrections", () => {
  it("keep the first value beside the second, with the reason and who", () => {
    const d = {
      people: [{ id: "p", name: "Odd" }],
      readings: [
        reading("a", { value: inches("20 7/8", 20.875) }),
        reading("b", {
          value: inches("20 1/16", 20.0625),
          supersedes: "a",
          reason: "Hook slipped.",
        }),
      ],
    } as unknown as Doc;
    expect(corrections(d)).toMatchObject([
      {
        place: "LF",
        from: "hub",
        was: "20 7/8 in",
        now: "20 1/16 in",
        reason: "Hook slipped.",
        by: "Odd",
      },
    ]);
  });

  it("say of a reading that was taken back that nothing stands in its place", () => {
    const d = {
      people: [],
      readings: [
        reading("a", { value: inches("20 7/8", 20.875) }),
        reading("b", { supersedes: "a", reason: "Taken back." }),
      ],
    } as unknown as Doc;
    expect(corrections(d)[0]?.now).toBeNull();
  });
});
