import { expect, test } from "vitest";
import { isFolded, missing } from "./missing";

const blank = {
  plate: "",
  vin: "",
  make: "",
  name: "",
  platformId: "",
  ownerName: "",
  equipment: "",
  built: null,
  known: null,
};

const whole = {
  ...blank,
  plate: "SV 1",
  built: {},
  make: "Ostrel",
  name: "Drover",
  platformId: "p",
  ownerName: "Orchard",
  equipment: "pit",
};

test("all that is missing is named at once", () => {
  const said = missing(blank);
  expect([said?.field, ...(said?.also.map((f) => f.field) ?? [])]).toEqual([
    "plate",
    "sort",
    "make",
    "name",
    "platformId",
    "ownerName",
    "equipment",
  ]);
});

test("nothing is missing of what is whole, by plate or by VIN", () => {
  expect(missing(whole)).toBeNull();
  expect(missing({ ...whole, plate: "", vin: "V1" })).toBeNull();
  expect(missing({ ...whole, plate: " " })?.field).toBe("plate");
});

test("a vehicle that is known is not asked what it is", () => {
  expect(missing({ ...whole, plate: "", built: null, known: {} })).toBeNull();
});

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
