import { expect, test } from "vitest";
import type { Schemas } from "../../api/client";
import { alsoCalled, isJoint, otherSide } from "./joints";

test("a joint is found by any of its names", () => {
  expect(alsoCalled("front track bar to axle")).toContain("panhard rod");
  expect(isJoint("front track bar to axle", "Panhard front")).toBe(true);
  expect(isJoint("front track bar to axle", "panhard rear")).toBe(false);
  expect(isJoint("LF sway-bar link to lower arm", "anti-roll LF")).toBe(true);
  expect(isJoint("LF wheel to hub", "lug")).toBe(true);
  expect(isJoint("LF wheel to hub", "")).toBe(true);
  expect(alsoCalled("LF trunnion")).toEqual([]);
});

test("the other side is the same joint that waits for its spec", () => {
  const joint = (place: string, more: object = {}) =>
    ({
      place,
      kind: "bolted",
      none: false,
      spec: null,
      ...more,
    }) as unknown as Schemas["Joint"];
  const left = joint("LF strut top");
  const right = joint("RF strut top");
  expect(otherSide(left, [left, right])).toBe(right);
  expect(otherSide(right, [left, right])).toBe(left);
  expect(
    otherSide(left, [joint("RR strut top"), joint("RF strut foot")]),
  ).toBeNull();
  expect(otherSide(left, [joint("RF strut top", { none: true })])).toBeNull();
  expect(otherSide(left, [joint("RF strut top", { spec: {} })])).toBeNull();
  expect(
    otherSide(left, [joint("RF strut top", { kind: "clamp" })]),
  ).toBeNull();
  expect(otherSide(joint("rear U-bolts"), [joint("Lear U-bolts")])).toBeNull();
});
