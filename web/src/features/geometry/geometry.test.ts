import { describe, expect, it } from "vitest";
import {
  boundsOf,
  endsAt,
  figureText,
  numberOf,
  placeAt,
  saidOf,
  titleOf,
  type Mechanism,
  type Travel,
} from "./geometry";

const travel: Travel = {
  upMm: [-40, -20, 0, 30, 60],
  figure: [1, 2, 3, 4, 5],
  rods: [
    {
      name: "bar",
      ends: [-1, 0, 9, 1, -2, 0, 9, 2, -3, 0, 9, 3, -4, 0, 9, 4, -5, -6, 9, 5],
    },
  ],
};

describe("a mechanism through its travel", () => {
  it("is taken at the place nearest to the slider", () => {
    expect(placeAt(travel, 0)).toBe(2);
    expect(placeAt(travel, -31)).toBe(0);
    expect(placeAt(travel, 16)).toBe(3);
    expect(placeAt(travel, 900)).toBe(4);
  });

  it("gives the ends of a bar there, and nothing for a bar that it has not", () => {
    expect(endsAt(travel, "bar", 3)).toEqual({ x1: -4, z1: 0, x2: 9, z2: 4 });
    expect(endsAt(travel, "link", 3)).toBeNull();
  });

  it("keeps one frame for every place", () => {
    expect(boundsOf([travel])).toEqual({
      left: -5,
      right: 9,
      low: -6,
      high: 5,
    });
  });
});

describe("a figure", () => {
  it("is told in the person's unit, and nothing has no sign", () => {
    expect(figureText(6.35, "mm", "in")).toBe("1/4 in");
    expect(figureText(-0.04, "°", "in")).toBe("0.0°");
    expect(figureText(-1.26, "°", "mm")).toBe("−1.3°");
  });
});

it("heads its line with the axle", () => {
  expect(titleOf({ kind: "trackBar", where: "rear" })).toBe("Rear track bar");
  expect(titleOf({ kind: "headlights", where: "vehicle" })).toBe("Headlights");
});

it("stands in the middle of a sentence", () => {
  expect(saidOf({ kind: "cvShaft", where: "front" })).toBe("front CV shafts");
});

describe("in the list", () => {
  const stood = (kind: Mechanism["kind"], value: number | null) =>
    numberOf(
      {
        kind,
        ways: [
          { kind: "before", figure: { value: 0, unit: "mm" } },
          { kind: "lifted", figure: { value, unit: "mm" } },
        ],
      } as Mechanism,
      "in",
    );

  it("an axle aside is told by its size, a beam by its direction", () => {
    expect(stood("trackBar", -6.35)).toBe("1/4 in");
    expect(stood("headlights", -6.35)).toMatch(/^[-−]1\/4 in$/);
  });

  it("what cannot be told says so", () => {
    expect(stood("pinion", null)).toBe("not told");
  });
});

it("says a number in weight in the unit of the shop", () => {
  expect(figureText(54.4311, "kg", "in")).toBe("120 lb");
});
