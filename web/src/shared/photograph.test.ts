import { describe, expect, it } from "vitest";
import { keptSize, longestSide } from "./photograph";

describe("the size of a kept photograph", () => {
  it("is no longer than the limit, in its own shape", () => {
    expect(keptSize(4000, 3000)).toEqual({ width: longestSide, height: 1500 });
    expect(keptSize(1000, 8000)).toEqual({ width: 250, height: longestSide });
  });

  it("is left alone when it is small, and never nothing", () => {
    expect(keptSize(800, 600)).toEqual({ width: 800, height: 600 });
    expect(keptSize(9000, 1)).toEqual({ width: longestSide, height: 1 });
  });
});
