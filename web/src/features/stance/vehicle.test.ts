import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { aboveFloor, lineOf, plannedLine, shapeOf } from "./vehicle";

const q = (value: number, unit = "mm") => ({
  value,
  unit,
  u: null,
  known: "measured" as const,
  typed: null,
});

const vehicle = {
  tyreSize: "265/70R17",
  dimensions: {
    wheelbase: q(130, "in"),
    frontTrack: q(1600),
    rearTrack: null,
    rearSpringBase: null,
    frontAxleMass: null,
    rearAxleMass: null,
    frontUnsprungShare: null,
    rearUnsprungShare: null,
    sillHeight: q(500),
    midMark: null,
  },
} as unknown as Schemas["Vehicle"];

const shape = shapeOf(vehicle);

const station = (name: string, value: number, datum = "hub") => ({
  station: name,
  datum,
  height: { value, u: 2, unit: "mm", cannot: null },
});

describe("the drawing to scale", () => {
  it("takes sizes in any unit and the tyre from its printed size", () => {
    expect(shape.wheelbase).toBeCloseTo(3302);
    expect(2 * shape.radius).toBeCloseTo(802.8);
    expect(
      2 * shapeOf({ ...vehicle, tyreSize: "33x12.50R15" }).radius,
    ).toBeCloseTo(838.2);
  });

  it("carries hub and rim readings down to the floor", () => {
    expect(aboveFloor(900, "floor", shape)).toBe(900);
    expect(aboveFloor(520, "hub", shape)).toBeCloseTo(520 + shape.loaded);
    expect(aboveFloor(750, "rim", shape)).toBeCloseTo(
      750 + shape.loaded - shape.rim,
    );
  });

  it("draws the mean of the lips that were read, and nothing without both ends", () => {
    const stance = (stations: unknown[]) =>
      ({ datum: "hub", stations }) as unknown as Schemas["WalkRoundStance"];
    expect(
      lineOf(
        stance([station("LF", 500), station("RF", 520), station("LR", 580)]),
        shape,
      ),
    ).toEqual({ front: 510 + shape.loaded, rear: 580 + shape.loaded });
    expect(lineOf(stance([station("LF", 500)]), shape)).toBeNull();
    expect(lineOf(undefined, shape)).toBeNull();
  });

  it("gives each end of a plan its own band", () => {
    const planned = (name: string, height: number, u: number) => ({
      station: name,
      height: { value: height, u: 3 },
      rise: { value: 10, u },
    });
    const line = plannedLine(
      {
        datum: "floor",
        stations: [
          planned("LF", 900, 12),
          planned("RF", 910, 11),
          planned("LR", 950, 0),
          planned("RR", 950, 0),
        ],
      } as unknown as Schemas["Prediction"],
      shape,
    );
    expect(line).toEqual({ front: 905, rear: 950, frontU: 12, rearU: 0 });
  });
});
