import { expect, test } from "vitest";
import { isFolded } from "./folded";

test.each([
  ["sizes.tyreSize", true],
  ["fitted[0].name", true],
  ["variant.built", true],
  ["target.leastFrontLift", true],
  ["engine", true],
  ["target.rake", false],
  ["plate", false],
  ["ownerName", false],
])("%s lies folded away: %s", (field, folded) => {
  expect(isFolded(field)).toBe(folded);
});
