import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { due, farOf, inDays, odometerOf, overdue, wordsTo } from "./due";

const follow = (more: object) =>
  ({ dueOn: null, dueAt: null, ...more }) as Schemas["FollowUp"];

describe("a follow-up", () => {
  it("is due by date or by distance, whichever comes first", () => {
    expect(
      due(
        follow({ dueOn: "2026-03-09", dueAt: { value: 48254.4, unit: "mi" } }),
      ),
    ).toBe("by 9 Mar 2026 or at 48,254 mi");
  });

  it("adds the distance that it says: 500 mi after 61,204 is 61,704", () => {
    const far = [50, 100, 500, 3000].map((mi) => mi * 1.609344);
    expect(far.map((km) => farOf(km, "mi"))).toEqual([50, 100, 500, 3000]);
    expect(far.map((km) => farOf(km, "km"))).toEqual([80, 160, 800, 4830]);
  });

  it("adds it to the odometer in the unit that was typed", () => {
    expect(odometerOf("61204", "mi")).toEqual({ value: 61204, unit: "mi" });
    expect(odometerOf(" 98500 km", "mi")).toEqual({ value: 98500, unit: "km" });
    expect(odometerOf("61204 Miles", "km")).toEqual({
      value: 61204,
      unit: "mi",
    });
    expect(odometerOf("1,048,200.5", "km")?.value).toBe(1_048_200.5);
    expect(odometerOf("", "km")).toBeNull();
    expect(odometerOf("many", "km")).toBeNull();
  });

  it("names only what was agreed", () => {
    expect(due(follow({ dueOn: "2026-03-09" }))).toBe("by 9 Mar 2026");
    expect(due(follow({ dueAt: { value: 800, unit: "km" } }))).toBe(
      "at 800 km",
    );
    expect(due(follow({}))).toBe("");
  });

  it("counts days by the calendar of the bay, also late in the evening", () => {
    expect(inDays(1, new Date(2026, 1, 28, 23, 50))).toBe("2026-03-01");
    expect(inDays(0, new Date(2026, 1, 28, 0, 5))).toBe("2026-02-28");
  });

  it("is overdue from the day after", () => {
    expect(overdue({ dueOn: "2026-03-09" }, "2026-03-09")).toBe(false);
    expect(overdue({ dueOn: "2026-03-09" }, "2026-03-10")).toBe(true);
    expect(overdue({ dueOn: null }, "2026-03-10")).toBe(false);
  });

  it("has words for the owner with what, when and why, and no plate", () => {
    const d = {
      owner: { name: "A. Owner" },
      vehicle: { make: "Skeld", name: "Packer", plate: "XX 1" },
    } as Schemas["JobDocument"];
    const words = wordsTo(
      d,
      follow({ what: "Re-torque", why: "Faces settle.", dueOn: "2026-03-09" }),
      "Brenna",
    );
    expect(words).toBe(
      "Hello A. Owner,\nyour Skeld Packer was due with us by 9 Mar 2026: Re-torque. Faces settle.\nWhen does it suit you?\nBrenna",
    );
  });
});
