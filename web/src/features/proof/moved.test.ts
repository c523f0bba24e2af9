import { expect, test } from "vitest";
import type { Schemas } from "../../api/client";
import { scaleOf, sideOf } from "./moved";
import { nextCheck } from "./pattern";

const length = (value: number | null, u: number | null = 1) =>
  ({ value, u, unit: "mm" }) as Schemas["Result"];

const station = (name: string, before: number, planned: number, now: number) =>
  ({
    station: name,
    before: length(before),
    planned: length(planned, 4),
    now: length(now),
    difference: length(now - planned),
    near: true,
  }) as Schemas["StationProof"];

test("a side needs both its lips, front first", () => {
  const lf = station("LF", 520, 570, 580);
  expect(sideOf([lf], "left")).toBeNull();
  const side = sideOf([station("LR", 570, 570, 571), lf], "left");
  expect(side?.map((l) => [l.station, l.off])).toEqual([
    ["LF", 10],
    ["LR", 1],
  ]);
  expect(sideOf([lf], "right")).toBeNull();
});

test("one scale holds the lowest and the highest, and a small difference is not blown up", () => {
  const lips = sideOf(
    [station("LF", 520, 570, 580), station("LR", 570, 570, 571)],
    "left",
  );
  expect(scaleOf(lips ?? [], 120, 4)).toEqual({ low: 520, perMm: 2 });
  const level = sideOf(
    [station("LF", 570, 570, 571), station("LR", 570, 570, 570)],
    "left",
  );
  expect(scaleOf(level ?? [], 120, 4)).toEqual({ low: 570, perMm: 4 });
  expect(scaleOf([], 120, 4)).toBeNull();
});

test("the check that comes next is found among the checks, a reading is none", () => {
  const check = { kind: "notSeated", where: "LF" };
  const proof = (next: object) =>
    ({ next, causes: { checks: [check] } }) as unknown as Schemas["PlanProof"];
  expect(
    nextCheck(proof({ kind: "check", cause: "notSeated", where: "LF" })),
  ).toBe(check);
  expect(nextCheck(proof({ kind: "readAgain", where: "LF" }))).toBeUndefined();
});
