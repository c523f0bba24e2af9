import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { wantedSays } from "./wanted";

const mm = (value: number): Schemas["Quantity"] => ({
  value,
  unit: "mm",
  u: null,
  known: "told",
  typed: null,
});
const target = (t: Partial<Schemas["Target"]>): Schemas["Target"] => ({
  datum: "hub",
  rake: null,
  loaded: false,
  leastFrontLift: null,
  leastRearLift: null,
  mostFrontLift: null,
  mostRearLift: null,
  noLean: false,
  evenDiagonals: false,
  tolerance: mm(6.35),
  ...t,
});

describe("what is wanted, in one line", () => {
  it("says level, and level with the load on", () => {
    expect(wantedSays(target({ rake: mm(0) }), "in")).toBe(
      "level · within 1/4 in, from the hub",
    );
    expect(wantedSays(target({ rake: mm(0), loaded: true }), "in")).toContain(
      "level with the load on",
    );
  });
  it("says which way a rake goes", () => {
    expect(wantedSays(target({ rake: mm(25.4) }), "in")).toContain(
      "nose down 1 in",
    );
    expect(wantedSays(target({ rake: mm(-12.7) }), "in")).toContain(
      "nose up 1/2 in",
    );
  });
  it("says both ends once when they are alike, and each when they are not", () => {
    const both = target({ leastFrontLift: mm(50.8), leastRearLift: mm(50.8) });
    expect(wantedSays(both, "in")).toContain("both ends up at least 2 in");
    const front = target({ mostFrontLift: mm(25.4), mostRearLift: mm(50.8) });
    expect(wantedSays(front, "in")).toContain(
      "front up at most 1 in · rear up at most 2 in",
    );
  });
  it("says that nothing is wanted yet, and names a lean", () => {
    expect(wantedSays(target({}), "in")).toBe("nothing yet");
    expect(wantedSays(target({ noLean: true }), "mm")).toContain(
      "no side lean",
    );
  });
});
