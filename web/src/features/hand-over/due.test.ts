import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { due } from "./due";

const follow = (more: object) =>
  ({ dueOn: null, dueAt: null, ...more }) as Schemas["FollowUp"];

describe("a follow-up", () => {
  it("is due by date or by distance, whichever comes first", () => {
    expect(
      due(
        follow({ dueOn: "2026-03-09", dueAt: { value: 48254.4, unit: "mi" } }),
      ),
    ).toBe("by 2026-03-09 or at 48,254 mi");
  });

  it("names only what was agreed", () => {
    expect(due(follow({ dueOn: "2026-03-09" }))).toBe("by 2026-03-09");
    expect(due(follow({ dueAt: { value: 800, unit: "km" } }))).toBe(
      "at 800 km",
    );
    expect(due(follow({}))).toBe("");
  });
});
