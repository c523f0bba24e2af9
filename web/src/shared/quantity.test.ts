import { describe, expect, it } from "vitest";
import { torqueText } from "../features/fitting/torque";
import { due } from "../features/hand-over/due";
import { retyped, typed } from "./quantity";

describe("quantities in fields", () => {
  it("sends nothing for an empty field and the text as typed otherwise", () => {
    expect(typed("  ", "in")).toBeNull();
    expect(typed("1 1/2", "in", "box")).toEqual({
      typed: "1 1/2",
      unit: "in",
      known: "box",
      answers: [],
    });
  });

  it("shows what was typed and leaves estimates empty", () => {
    const q = { value: 1.5, unit: "in", u: null, typed: "1 1/2" };
    expect(retyped({ ...q, known: "measured" })).toBe("1 1/2");
    expect(retyped({ ...q, known: "measured", typed: null })).toBe("1.5");
    expect(retyped({ ...q, known: "estimated" })).toBe("");
    expect(retyped(null)).toBe("");
  });

  it("says a torque in both units", () => {
    expect(torqueText({ value: 101, unit: "lb·ft" })).toBe(
      "101 lb·ft · 137 N·m",
    );
    expect(torqueText({ value: 137, unit: "N·m" })).toBe("101 lb·ft · 137 N·m");
  });

  it("says when a follow-up is due, by day or distance", () => {
    const f = {
      id: "1",
      what: "Alignment",
      why: null,
      dueOn: "2027-01-05",
      dueAt: {
        value: 48254,
        unit: "mi",
        u: null,
        known: "computed" as const,
        typed: null,
      },
      doneAt: null,
      doneBy: null,
      note: null,
    };
    expect(due(f)).toBe("by 2027-01-05 or at 48,254 mi");
    expect(due({ ...f, dueOn: null })).toBe("at 48,254 mi");
  });
});
