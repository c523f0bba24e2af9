import { expect, test } from "vitest";
import { lastWork, mayHaveBeenMoved } from "./moved";

const at = Date.parse("2026-03-02T08:00:00Z");

test("a vehicle in the air is asked about after eight hours without work", () => {
  const after = (hours: number, hangs = true, last: number | null = at) =>
    mayHaveBeenMoved(hangs, last, at + hours * 3_600_000);
  expect(after(7.99)).toBe(false);
  expect(after(8)).toBe(true);
  expect(after(30, false)).toBe(false);
  expect(after(30, true, null)).toBe(false);
});

test("work is a step, a pass or a word on supports, of this plan", () => {
  const row = (planId: string, hour: number) =>
    ({
      planId,
      at: `2026-03-02T${hour.toString().padStart(2, "0")}:00:00Z`,
    }) as never;
  const d = {
    steps: [row("a", 9), row("b", 15)],
    torqueEntries: [row("a", 11)],
    supports: [row("", 10)],
  };
  expect(lastWork(d, "a")).toBe(Date.parse("2026-03-02T11:00:00Z"));
  expect(lastWork({ ...d, torqueEntries: [] }, "a")).toBe(
    Date.parse("2026-03-02T10:00:00Z"),
  );
  expect(lastWork({ steps: [], torqueEntries: [], supports: [] }, "a")).toBe(
    null,
  );
});
