import { describe, expect, it } from "vitest";
import type { Schemas } from "../../../api/client";
import { conditionsBody, conditionsOf, conditionsWords } from "./conditions";

const round = {
  datum: "floor",
  division: { value: 1 / 8, unit: "in", u: null, known: "told", typed: null },
  settled: "driven",
  hubMarked: true,
  floorSurveyed: true,
  pads: [
    {
      wheel: "LF",
      height: {
        value: -3,
        unit: "mm",
        u: null,
        known: "measured",
        typed: "-3",
      },
    },
  ],
  spot: "bay 2",
  fuel: "half",
  load: null,
  peopleIn: 0,
  modes: ["tow"],
  steeringStraight: false,
  shut: false,
  brakeHeld: true,
  tyres: [
    {
      wheel: "RR",
      size: null,
      pressure: {
        value: 36,
        unit: "psi",
        u: null,
        known: "measured",
        typed: "36",
      },
    },
  ],
  odometer: null,
  notes: null,
} as unknown as Schemas["WalkRound"];

describe("the conditions of a walk-round", () => {
  it("come back as they were kept: one press repeats them", () => {
    const body = conditionsBody(conditionsOf(round, "in"), "in");
    expect(body).toMatchObject({
      datum: "floor",
      denominator: 8,
      settled: "driven",
      hubMarked: true,
      peopleIn: 0,
      modes: ["tow"],
      steeringStraight: false,
      shut: false,
      brakeHeld: true,
      walk: null,
    });
    expect(body.pads).toEqual([
      {
        wheel: "LF",
        height: { typed: "-3", unit: "in", known: "measured", answers: [] },
      },
    ]);
    expect(body.tyres?.find((t) => t.wheel === "RR")?.pressure?.typed).toBe(
      "36",
    );
  });

  it("begin with what is safe to take for granted", () => {
    expect(conditionsOf(undefined, "mm")).toMatchObject({
      datum: "hub",
      denominator: 1,
      settled: "rolled",
      floorSurveyed: false,
      steeringStraight: true,
      shut: true,
      brakeHeld: false,
      peopleIn: "0",
    });
  });

  it("are said in a few words", () => {
    expect(conditionsWords(round)).toBe(
      "on bay 2, hubs marked, floor surveyed, fuel half, nobody in, tow mode, steering not straight, something stood open, brake held, RR 36 psi",
    );
  });
});
