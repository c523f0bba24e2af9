import { expect, test } from "vitest";
import {
  againSays,
  isRight,
  spentSays,
  thirtySeconds,
  weekSays,
} from "./practice";

test("a tape's reading is read as a fitter types it", () => {
  expect(thirtySeconds("35 1/2")).toBe(35 * 32 + 16);
  expect(thirtySeconds(" 35-1/2 ")).toBe(35 * 32 + 16);
  expect(thirtySeconds("35 17/32")).toBe(35 * 32 + 17);
  expect(thirtySeconds("20")).toBe(640);
  expect(thirtySeconds("20 3/16")).toBe(646);
});

test("what is no reading of a tape is none", () => {
  for (const typed of [
    "",
    "x",
    "20 3",
    "20 3/5",
    "20 17/16",
    "20.5",
    "20 1/0",
  ]) {
    expect(thirtySeconds(typed)).toBeNull();
  }
});

const question = {
  ask: "",
  tape: null,
  rows: [],
  choices: ["a", "b"],
  right: 1,
  why: "",
  guide: "",
};

test("a tape may be a thirty-second off, a choice not", () => {
  expect(isRight(question, 1)).toBe(true);
  expect(isRight(question, 0)).toBe(false);
  expect(isRight(question, null)).toBe(false);
  const tape = { ...question, choices: [], right: 650 };
  expect(isRight(tape, 651)).toBe(true);
  expect(isRight(tape, 652)).toBe(false);
});

test("a drill says when it comes again", () => {
  const now = new Date("2026-03-02T08:00:00Z");
  const last = {
    kind: "datums" as const,
    at: "2026-03-01T08:00:00Z",
    right: 9,
    of: 10,
  };
  const again = { kind: "datums" as const, last, row: 1, dueAt: null };
  expect(againSays({ ...again, last: null }, now)).toBe("Never done");
  expect(againSays({ ...again, dueAt: "2026-03-02T07:00:00Z" }, now)).toBe(
    "9 of 10 last time: due again",
  );
  expect(againSays({ ...again, dueAt: "2026-03-02T09:00:00Z" }, now)).toBe(
    "9 of 10 last time: again in 1 day",
  );
  expect(againSays({ ...again, dueAt: "2026-03-05T08:00:00Z" }, now)).toBe(
    "9 of 10 last time: again in 3 days",
  );
});

test("what it took", () => {
  expect(spentSays({ hours: 1.25, money: 99.6 })).toBe("1.3 h · 100 spent");
  expect(spentSays({ hours: 0.2, money: 16 })).toBe("12 min · 16 spent");
});

test("a week says its drills and its exercises", () => {
  const week = {
    monday: "2026-03-02",
    drills: 2,
    right: 23,
    of: 30,
    exercises: 1,
    points: 75,
  };
  expect(weekSays(week)).toBe("2 drills, 77 % right; 1 exercise, 75 points");
  expect(weekSays({ ...week, drills: 0, exercises: 2 })).toBe(
    "2 exercises, 75 points on the mean",
  );
  expect(weekSays({ ...week, drills: 1, exercises: 0 })).toBe(
    "1 drill, 77 % right",
  );
});
