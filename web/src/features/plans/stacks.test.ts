import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import {
  afterDrop,
  copied,
  meant,
  moved,
  nextName,
  placed,
  placesOf,
  placings,
  planLines,
  turned,
  taken,
  without,
  type Stacks,
} from "./stacks";

const piece = (
  id: string,
  partId: string | null,
  kind: Schemas["PartKind"] = "strutTopSpacer",
): Schemas["PlacedPart"] => ({
  id,
  partId,
  kitId: null,
  number: null,
  name: partId ?? kind,
  kind,
  thickness: { value: 12, unit: "mm", u: null, known: "measured", typed: "12" },
  claim: null,
  extension: null,
  dimensions: {},
  leaves: [],
  price: null,
  currency: null,
  hours: null,
  limits: null,
  madeFor: null,
  fit: null,
});

const both: Stacks = [
  { corner: "LF", parts: [piece("a", "plate"), piece("b", "ring")] },
  { corner: "RF", parts: [piece("c", "plate"), piece("d", "ring")] },
];

const ids = (stacks: Stacks, corner: string) =>
  stacks.find((s) => s.corner === corner)?.parts.map((p) => p.id);

const none = () => false;

describe("stacks", () => {
  it("means both corners of an axle, or one on purpose", () => {
    expect(meant("front", "both")).toEqual(["LF", "RF"]);
    expect(meant("rear", "right")).toEqual(["RR"]);
  });

  it("puts a piece of its own at each corner", () => {
    const part = { ...piece("p", "p"), count: 4 } as unknown as Schemas["Part"];
    const next = placed(both, part, ["LR", "RR"]);
    const [left, right] = [ids(next, "LR"), ids(next, "RR")];
    expect(left).toHaveLength(1);
    expect(left).not.toEqual(right);
    expect(ids(next, "LF")).toEqual(["a", "b"]);
  });

  it("takes out the twin of the other side only when both are meant", () => {
    expect(ids(without(both, "LF", "a", "both"), "RF")).toEqual(["d"]);
    expect(ids(without(both, "LF", "a", "left"), "RF")).toEqual(["c", "d"]);
  });

  it("carries a piece and its twin to the other axle, and one alone across", () => {
    const rear = moved(both, "LF", "a", "LR", "both");
    expect([ids(rear, "LR"), ids(rear, "RR")]).toEqual([["a"], ["c"]]);
    expect([ids(rear, "LF"), ids(rear, "RF")]).toEqual([["b"], ["d"]]);
    const across = moved(both, "LF", "a", "RF", "both");
    expect(ids(across, "RF")).toEqual(["c", "d", "a"]);
    const one = moved(both, "LF", "a", "LR", "left");
    expect([ids(one, "LR"), ids(one, "RF")]).toEqual([["a"], ["c", "d"]]);
    expect(moved(both, "LF", "a", "LF", "both")).toBe(both);
  });

  it("copies a plan with pieces of its own, but what is fitted stays what it is", () => {
    const copy = copied(
      [
        {
          corner: "LF",
          parts: [piece("a", "plate"), piece("k", null, "raisedCollar")],
        },
        { corner: "RF", parts: [piece("c", "plate")] },
      ],
      [{ corner: "RF", parts: [piece("c", "plate")] }],
    );
    const [plate, collar] = copy[0]?.parts ?? [];
    expect(plate?.id).not.toBe("a");
    expect(plate?.partId).toBe("plate");
    expect(collar?.raise).toMatchObject({ typed: "12 mm", unit: "mm" });
    expect(copy[1]?.parts[0]?.id).toBe("c");
  });

  it("lets go of a part on a corner, of a piece on the shelf, and of nothing in between", () => {
    const part = { ...piece("p", "p"), count: 4 } as unknown as Schemas["Part"];
    const onRear = afterDrop(both, { part }, "RR", "both", none);
    expect(onRear && ids(onRear, "LR")).toHaveLength(1);
    const alone = afterDrop(both, { part }, "RR", "left", none);
    expect(alone && ids(alone, "LR")).toHaveLength(0);
    expect(afterDrop(both, { part }, "off", "both", none)).toBeNull();
    expect(afterDrop(both, { part }, null, "both", none)).toBeNull();
    const taken = { piece: { corner: "LF" as const, id: "a" } };
    expect(afterDrop(both, taken, "LF", "both", none)).toBeNull();
    const off = afterDrop(both, taken, "off", "both", none);
    expect(off && [ids(off, "LF"), ids(off, "RF")]).toEqual([["b"], ["d"]]);
    const across = afterDrop(both, taken, "RF", "left", none);
    expect(across && ids(across, "RF")).toEqual(["c", "d", "a"]);
  });

  it("turns the collar up where it is meant, also where nothing stands yet", () => {
    const by = { typed: "12", unit: "mm", known: "measured", answers: [] };
    const next = turned(both, ["RF", "LR"], "raisedCollar", by as never);
    const at = (corner: string) => next.find((s) => s.corner === corner)?.parts;
    expect(at("LF")?.every((p) => p.raise === null)).toBe(true);
    expect(at("RF")?.at(-1)).toMatchObject({ partId: null, raise: by });
    expect(at("LR")).toHaveLength(1);
  });

  it("puts a tyre in place of the one that was planned, and sets steering stops once", () => {
    const tyre = piece("old", "ty", "tyre");
    const stops = {
      ...piece("s", null, "steeringStops"),
      dimensions: { stopsEarlier: { value: 2, unit: "°", known: "computed" } },
    };
    const before = [{ corner: "LF", parts: [tyre, stops] }] as never;
    const next = placed(
      before,
      { ...piece("p", "p", "tyre"), id: "small" } as never,
      ["LF"],
    );
    expect(
      next.find((s) => s.corner === "LF")?.parts.map((p) => [p.kind, p.partId]),
    ).toEqual([
      ["steeringStops", null],
      ["tyre", "small"],
    ]);
    const by = { typed: "4", unit: "°", known: "computed", answers: [] };
    const set = turned(before, ["LF"], "steeringStops", by as never);
    const front = set.find((s) => s.corner === "LF")?.parts;
    expect(front?.map((p) => [p.id === "old", p.earlier ?? null])).toEqual([
      [true, null],
      [false, by],
    ]);
    expect(copied(before, [])[0]?.parts[1]?.earlier).toMatchObject({
      typed: "2",
      unit: "°",
    });
  });

  it("sets an adjuster once a corner, and tells its turns again in a copy and in a stack that was found", () => {
    const by = { typed: "3", unit: "1", known: "measured", answers: [] };
    const adjuster = {
      ...piece("t", null, "torsionAdjuster"),
      dimensions: { turns: { value: 2.5, unit: "1", known: "told", u: null } },
    };
    const before = [{ corner: "LF", parts: [adjuster] }] as never;
    const next = turned(before, ["LF", "RF"], "torsionAdjuster", by as never);
    const at = (corner: string) => next.find((s) => s.corner === corner)?.parts;
    expect(at("LF")).toHaveLength(1);
    expect(at("LF")?.[0]).toMatchObject({ raise: null, turns: by });
    expect(at("RF")?.[0]).toMatchObject({ raise: null, turns: by });
    expect(copied(before, [])[0]?.parts[0]?.turns).toMatchObject({
      typed: "2.5",
    });
    expect(
      taken(before, []).find((s) => s.corner === "LF")?.parts[0]?.turns,
    ).toMatchObject({ typed: "2.5" });
  });

  it("tells the server keys, never figures", () => {
    expect(placings(both)[0]).toEqual({
      corner: "LF",
      parts: [
        { id: "a", partId: "plate", raise: null },
        { id: "b", partId: "ring", raise: null },
      ],
    });
  });

  it("names the next plan by the first free letter", () => {
    expect(nextName([])).toBe("Plan A");
    expect(nextName(["Plan A", "Plan C", "soft"])).toBe("Plan B");
  });
});

describe("stacks that were found", () => {
  it("keep the key of what stands and give a new one to what comes", () => {
    const standing: Stacks = [
      { corner: "LF", parts: [piece("a", "plate")] },
      { corner: "RF", parts: [] },
    ];
    const found: Stacks = [
      { corner: "LF", parts: [piece("x", "ring")] },
      { corner: "LR", parts: [piece("a", "plate")] },
    ];
    const placings = taken(found, standing);
    expect(placings.map((p) => p.corner)).toEqual(["LF", "RF", "LR", "RR"]);
    expect(placings[0]?.parts[0]).toMatchObject({ partId: "ring" });
    expect(placings[0]?.parts[0]?.id).not.toBe("x");
    // A plate that moves to the rear is the same plate.
    expect(placings[2]?.parts).toEqual([
      { id: "a", partId: null, raise: null },
    ]);
  });
});

describe("a plan as lines", () => {
  it("names each corner's pieces from the body down, with their thickness", () => {
    expect(planLines("Plan A", both, "mm")).toEqual({
      Name: "Plan A",
      "Left front": "plate (12 mm), ring (12 mm)",
      "Right front": "plate (12 mm), ring (12 mm)",
      "Left rear": "",
      "Right rear": "",
    });
    // 12 mm are 7.56 sixteenths.
    expect(planLines("Plan A", both, "in")["Left front"]).toBe(
      "plate (1/2 in), ring (1/2 in)",
    );
  });
});

describe("a part goes", () => {
  it("once an axle where it has one, to the bar's end at the body", () => {
    expect(placesOf(true, "front", "both", "right")).toEqual(["RF"]);
    expect(placesOf(true, "rear", "both", null)).toEqual(["LR"]);
    // One side on purpose is meant.
    expect(placesOf(true, "front", "left", "right")).toEqual(["LF"]);
  });

  it("one a side where both have it", () => {
    expect(placesOf(false, "front", "both", "right")).toEqual(["LF", "RF"]);
  });

  it("where it was let go, and not beside it, when an axle has one", () => {
    const bar = { part: { kind: "trackBar" } as never };
    const next = afterDrop([], bar, "RR", "both", (of) => of === "trackBar");
    expect(
      next?.filter((s) => s.parts.length > 0).map((s) => s.corner),
    ).toEqual(["RR"]);
  });
});
