import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { amountText, doubtText, stateText } from "./instruments";

const tape = (
  part: Partial<Schemas["InstrumentView"]> & {
    error?: number;
    checked?: boolean;
  },
): Schemas["InstrumentView"] => ({
  instrument: {
    id: "i",
    kind: "tape",
    name: "Tape 3",
    serial: null,
    checkDays: 365,
    checks: [],
    mishaps: [],
    putAwayAt: null,
  },
  version: 1,
  now: {
    id: "i",
    name: "Tape 3",
    kind: "tape",
    checkId: part.checked === false ? null : "c",
    error: part.error ?? 0,
    u: 0.4,
    dueOn: null,
  },
  dueOn: null,
  doubted: null,
  usualWithin: 0.5,
  since: [],
  ...part,
});

describe("what is known of an instrument", () => {
  it("says which way it errs, in the reader's unit", () => {
    expect(stateText(tape({ error: 1.52 }), "mm")).toBe(
      "reads 1.5 mm long, ± 0.8 mm; it is taken off",
    );
    expect(stateText(tape({ error: -2.54 }), "in")).toBe(
      "reads 0.10 in short, ± 0.03 in; it is taken off",
    );
    expect(stateText(tape({ error: 0.02 }), "mm")).toBe(
      "reads right, ± 0.8 mm",
    );
    expect(stateText(tape({ checked: false }), "mm")).toContain(
      "never checked",
    );
    expect(amountText(0.041, "torqueWrench", "in")).toBe("4.1 %");
  });
  it("doubts what fell and what is overdue, and nothing else", () => {
    expect(doubtText(tape({ dueOn: "2026-11-02" }), "2026-11-02")).toBeNull();
    expect(doubtText(tape({ dueOn: "2026-11-02" }), "2026-11-03")).toContain(
      "was due on",
    );
    expect(
      doubtText(
        tape({
          doubted: {
            id: "m",
            at: "2026-11-12T10:00:00Z",
            what: "fell into the pit",
            personId: "p",
          },
        }),
        "2026-11-13",
      ),
    ).toContain("fell into the pit");
  });
});
