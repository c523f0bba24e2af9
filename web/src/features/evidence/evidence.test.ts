import { describe, expect, it } from "vitest";
import { bandAt, claimsSay } from "./evidence";

describe("claims against the tape", () => {
  it("are summed up by how many came true and by the mean", () => {
    const says = claimsSay({ claims: 2, claimsWithin: 1, claimShare: 1.318 });
    expect(says).toContain("Of 2 claims 1 came true");
    expect(says).toContain("lifted 1.32 of what its box says");
    expect(
      claimsSay({ claims: 3, claimsWithin: 0, claimShare: 0.7 }),
    ).toContain("Of 3 claims none came true");
    expect(
      claimsSay({ claims: 0, claimsWithin: 0, claimShare: null }),
    ).toContain("No part here had a claim");
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
