import { expect, test } from "vitest";
import { grouped, whenOf } from "./when";

const today = "2026-03-10";
const week = "2026-03-17";
const job = (
  promisedOn: string | null,
  booked: string | null = null,
  followUps: (string | null)[] | null = null,
) => ({
  facts: {
    handedOver: followUps !== null,
    promisedOn,
    booked: booked === null ? null : { bay: null, day: booked, from: 480 },
    followUps: (followUps ?? []).map((dueOn, i) => ({
      id: i.toString(),
      what: "look",
      dueOn,
      dueAt: null,
    })),
  },
});

test.each([
  ["2026-03-09", null, null, "late"],
  ["2026-03-10", null, null, "today"],
  // What is booked today needs somebody today, whatever was promised.
  ["2026-03-16", "2026-03-10", null, "today"],
  ["2026-03-17", null, null, "week"],
  ["2026-03-18", null, null, "later"],
  [null, null, null, "later"],
  // Handed over: the day that was promised is past and of no account.
  ["2026-03-01", null, ["2026-03-20", "2026-03-12"], "back"],
  ["2026-03-01", null, [null, "2026-03-09"], "late"],
  ["2026-03-01", null, [null], "back"],
] as const)(
  "promised %s, booked %s, to come %s: %s",
  (promised, booked, ups, when) => {
    expect(whenOf(job(promised, booked, ups && [...ups]), today, week)).toBe(
      when,
    );
  },
);

test("groups stand where their first thing stood, and lose nothing", () => {
  expect(grouped([3, 10, 4, 11], (n) => n > 9)).toEqual([
    [false, [3, 4]],
    [true, [10, 11]],
  ]);
});
