import { expect, test } from "vitest";
import type { Schemas } from "../../api/client";
import { boltsDo, otherSide, placesOf } from "./bolts";

const row = (part: Partial<Schemas["BoltRow"]>): Schemas["BoltRow"] => ({
  where: "LF",
  place: "LF cab mount to frame, front one",
  fastener: {
    position: "mount bolt",
    count: 4,
    thread: null,
    grade: null,
    lengthFound: null,
    lengthNeeded: null,
    wrench: null,
    newPartOnly: false,
    threadlocker: null,
  },
  nowMm: null,
  growsMm: null,
  neededMm: null,
  old: [],
  serve: 0,
  new: null,
  another: false,
  ...part,
});

test("a place has its other side only where it has a side", () => {
  expect(otherSide("LF cab mount")).toBe("RF cab mount");
  expect(otherSide("RR bed mount")).toBe("LR bed mount");
  expect(otherSide("front differential mounts")).toBeNull();
  expect(otherSide("rear differential mounts")).toBeNull();
});

test("each place once, with all its bolts", () => {
  const [a, b, c] = [row({}), row({ place: "RF" }), row({})];
  expect(placesOf([a, b, c])).toEqual([
    { place: a.place, rows: [a, c] },
    { place: "RF", rows: [b] },
  ]);
});

test("bought, from elsewhere, its own again, or not known yet", () => {
  expect(boltsDo(row({ new: 4 }))).toEqual(["4 new"]);
  expect(boltsDo(row({ new: 0 }))).toEqual(["its own again"]);
  expect(boltsDo(row({ new: null }))).toEqual([
    "its own again, or longer: note it with the part",
  ]);
  expect(
    boltsDo(
      row({
        new: 2,
        old: [{ from: "LR bed", position: "mount bolt", count: 2 }],
        serve: 1,
      }),
    ),
  ).toEqual(["2 new", "2 old of LR bed", "1 of its old ones serve elsewhere"]);
  expect(
    boltsDo(
      row({
        new: 0,
        old: [{ from: "LR bed", position: "mount bolt", count: 4 }],
        serve: 4,
      }),
    ),
  ).toEqual(["4 old of LR bed", "its old ones serve elsewhere"]);
});
