import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { bandAt, drawn, shareSays } from "./evidence";

const result = (value: number | null, u = 1): Schemas["Result"] => ({
  value,
  unit: "mm",
  u: value === null ? null : u,
  known: "measured",
  restsOn: [],
  cannot: value === null ? "not known" : null,
});
const trial = (
  claim: number | null,
  measured: number | null,
): Schemas["JobTrial"] => ({
  jobId: "j",
  planId: "p",
  vehicleId: "v",
  platformId: "f",
  said: "Ostrel Drover",
  axle: "front",
  suspension: "coilOverArm",
  family: "spring",
  parts: ["plate"],
  partIds: [],
  ordinal: 1,
  at: "2026-03-02T08:00:00Z",
  claim: result(claim),
  predicted: result(50),
  measured: result(measured),
  trial: null,
  whyNot: null,
});

describe("claims against the tape", () => {
  it("are drawn where both are known and something came in", () => {
    const points = drawn([
      trial(50, 60),
      trial(null, 60),
      trial(50, null),
      trial(-12, -20),
    ]);
    expect(points).toEqual([
      expect.objectContaining({ claim: 50, measured: 60, u: 1 }),
    ]);
  });
  it("are summed up by how many came true and by the mean", () => {
    // Within a quarter inch and twice the tape's: 50 against 57 is, 50 against 75 is not.
    const says = shareSays([trial(50, 57), trial(50, 75)]);
    expect(says).toContain("Of 2 claims 1 came true");
    expect(says).toContain("lifted 1.32 of what its box says");
    expect(shareSays([trial(null, 60)])).toContain("No part here had a claim");
  });
});

describe("the band of a line", () => {
  it("is narrowest where the jobs were, because offset and ratio go against each other", () => {
    const line = {
      offsetMm: { mean: 5, sd: 5 },
      ratio: { mean: 2, sd: 0.2 },
      covariance: -0.9,
    };
    const width = (t: number) => bandAt(line, t).high - bandAt(line, t).low;
    // 25 − 1.8 t + 0.04 t² is least at t = 22.5.
    expect(width(22.5)).toBeLessThan(width(0));
    expect(width(22.5)).toBeLessThan(width(45));
    expect(width(22.5)).toBeCloseTo(4 * Math.sqrt(25 - 40.5 + 20.25), 9);
    expect((bandAt(line, 20).high + bandAt(line, 20).low) / 2).toBe(45);
  });
});
