import { expect, test } from "vitest";
import { alsoCalled, isJoint } from "./joints";

test("a joint is found by any of its names", () => {
  expect(alsoCalled("front track bar to axle")).toContain("panhard rod");
  expect(isJoint("front track bar to axle", "Panhard front")).toBe(true);
  expect(isJoint("front track bar to axle", "panhard rear")).toBe(false);
  expect(isJoint("LF sway-bar link to lower arm", "anti-roll LF")).toBe(true);
  expect(isJoint("LF wheel to hub", "lug")).toBe(true);
  expect(isJoint("LF wheel to hub", "")).toBe(true);
  expect(alsoCalled("LF trunnion")).toEqual([]);
});
