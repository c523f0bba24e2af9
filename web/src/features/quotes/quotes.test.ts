import { expect, test } from "vitest";
import { rateOf } from "./quotes";

test("an hour's price is a number, or left out", () => {
  expect(rateOf(" ")).toBeNull();
  expect(rateOf("85")).toBe(85);
  expect(rateOf("85,50")).toBe(85.5);
  expect(rateOf("about 85")).toBe(-1);
});
