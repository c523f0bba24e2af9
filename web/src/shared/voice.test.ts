import { expect, test } from "vitest";
import { shown } from "./length";
import { called } from "./voice";

test.each([
  [35.5 * 25.4, "in", 16, "35 and a half"],
  [(20 + 7 / 16) * 25.4, "in", 16, "20 and seven sixteenths"],
  [(22 + 3 / 4) * 25.4, "in", 16, "22 and three quarters"],
  [(22 + 1 / 8) * 25.4, "in", 8, "22 and an eighth"],
  [(22 + 31 / 32) * 25.4, "in", 32, "22 and 31 thirty-seconds"],
  [0.25 * 25.4, "in", 16, "a quarter"],
  [41 * 25.4, "in", 16, "41"],
  [1041.2, "mm", 1, "1041 millimetres"],
] as const)("%d mm in %s is called", (mm, unit, denominator, words) => {
  expect(called(shown(mm, unit, false, denominator))).toBe(words);
});
