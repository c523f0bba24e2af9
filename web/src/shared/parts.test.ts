import { describe, expect, it } from "vitest";
import type { Schemas } from "../api/client";
import { isPart } from "./parts";

const bar = {
  name: "Adjustable bar",
  number: "VX-12",
  kind: "trackBar",
  madeFor: null,
} as Schemas["Part"];

describe("finding a part", () => {
  it("knows it by its name, its number and its kind, in any order of words", () => {
    expect(isPart(bar, "")).toBe(true);
    expect(isPart(bar, "vx-12")).toBe(true);
    expect(isPart(bar, "TRACK bar")).toBe(true);
    expect(isPart(bar, "bar adjust")).toBe(true);
    expect(isPart(bar, "bar vx-13")).toBe(false);
  });

  it("knows it by what it is called elsewhere", () => {
    expect(isPart(bar, "panhard")).toBe(true);
    expect(isPart({ ...bar, kind: "swayBarLink" }, "stabilizer")).toBe(true);
    expect(isPart(bar, "stabilizer")).toBe(false);
  });

  it("does not ask for accents", () => {
    expect(isPart({ ...bar, name: "Étrier" }, "etrier")).toBe(true);
    expect(isPart({ ...bar, name: "Etrier" }, "étrier")).toBe(true);
  });
});
