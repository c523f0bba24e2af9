import { describe, expect, it } from "vitest";
import type { JobView } from "./client";
import type { Letter } from "./letters";
import { waitingIn, withWaiting } from "./waiting";

const view = {
  document: {
    job: { id: "j" },
    walkRounds: [{ id: "old", at: "2026-01-01", order: ["LF", "LR"] }],
    vehicle: { stations: [] },
    stages: [{ id: "s", ordinal: 1, stacks: [] }],
    plans: [{ id: "p", toStageId: "s", stacks: [] }],
    steps: [{ id: "1", planId: "p", step: "vehicle/raise" }],
    joints: [{ id: "ball", place: "LF ball" }],
    offLines: [{ id: "wheel", what: "wheel", fate: null }],
    cuts: [{ id: "holes", what: "bracket holes" }],
    roadTests: [],
    signatures: [],
  },
  fitting: { unlooked: ["LF ball", "RF ball"] },
} as unknown as JobView;

const letter = (command: unknown): Letter => ({
  commandId: "1",
  job: "j",
  person: "brenna",
  command: command as Letter["command"],
  says: "something",
});

const round = (id: string) =>
  letter({
    kind: "beginWalkRound",
    id,
    stageId: "s",
    conditions: { datum: "hub", denominator: 16, settled: "rolled" },
  });
const begin = round("new");

describe("a job while the network is gone", () => {
  it("holds the walk-round that was begun here, with the stations of the last one", () => {
    const rounds = withWaiting(view, [begin]).document.walkRounds;
    expect(rounds.map((r) => r.id)).toEqual(["old", "new"]);
    expect(rounds[1]).toMatchObject({
      order: ["LF", "LR"],
      division: { value: 1 / 16, unit: "in" },
    });
  });

  it("is untouched when nothing waits, or what waits is there already", () => {
    expect(withWaiting(view, [])).toBe(view);
    expect(withWaiting(view, [round("old")])).toBe(view);
    expect(withWaiting(view, [{ ...begin, job: "other" }])).toBe(view);
  });

  it("shows the drive that was noted here, the last word of it, and who signed", () => {
    const drive = (id: string, trouble: string) =>
      letter({
        kind: "noteRoadTest",
        id,
        after: true,
        answers: [{ question: "pull", trouble, note: null }],
      });
    const waits = withWaiting(view, [
      drive("first", "some"),
      drive("second", "none"),
      letter({
        kind: "sign",
        id: "s1",
        name: "Wren",
        as: "owner",
        told: ["Slowly."],
        strokes: [[1, 2, 3, 4]],
      }),
    ]);
    expect(waits.document.roadTests).toMatchObject([
      { id: "first", after: true, answers: [{ trouble: "none" }] },
    ]);
    expect(waits.document.signatures).toMatchObject([
      { id: "s1", name: "Wren", told: ["Slowly."] },
    ]);
  });

  it("shows a cut that was noted here as it was typed, and none that was struck out", () => {
    const typed = { typed: "1 3/8", unit: "in", known: "measured" };
    const waits = withWaiting(view, [
      letter({ kind: "noteCut", id: "lip", what: "lip", distance: typed }),
      letter({ kind: "dropCut", id: "holes" }),
    ]);
    expect(waits.document.cuts).toMatchObject([
      { id: "lip", planId: "p", distance: { typed: "1 3/8", value: NaN } },
    ]);
    // Stored meanwhile, it is there once.
    expect(
      withWaiting(view, [
        letter({ kind: "noteCut", id: "holes", what: "x", distance: typed }),
      ]).document.cuts,
    ).toHaveLength(1);
  });

  it("shows lines that were added or closed here, and joints that were looked over", () => {
    const waits = withWaiting(view, [
      letter({ kind: "addOffLine", id: "cap", where: "LF", what: "cap" }),
      letter({
        kind: "closeOffLine",
        id: "wheel",
        fate: "refitHere",
        note: null,
      }),
      letter({ kind: "lookOver", id: "l", jointId: "ball" }),
    ]);
    expect(waits.document.offLines.map((o) => [o.what, o.fate])).toEqual([
      ["wheel", "refitHere"],
      ["cap", null],
    ]);
    expect(waits.fitting.unlooked).toEqual(["RF ball"]);
    // What the server has by now is not shown twice.
    const there = [
      letter({ kind: "addOffLine", id: "wheel", where: "LF", what: "wheel" }),
    ];
    expect(withWaiting(view, there)).toBe(view);
  });

  it("shows a step that was ticked here, once", () => {
    const step = (key: string) =>
      letter({ kind: "doStep", id: key, step: key, minutes: null });
    const steps = withWaiting(view, [
      step("vehicle/raise"),
      step("vehicle/wheels-off"),
    ]).document.steps;
    expect(steps.map((s) => s.step)).toEqual([
      "vehicle/raise",
      "vehicle/wheels-off",
    ]);
  });

  it("knows which letters belong to a round", () => {
    const reading = letter({ kind: "storeReading", walkRoundId: "new" });
    expect(waitingIn([begin, reading], "new")).toEqual([reading]);
  });

  it("shows a plan as it was put together here, with parts of the shelf as last seen", () => {
    const plate = { id: "plate", name: "plate", kind: "coilSpacer" };
    const save = (parts: unknown[]) =>
      letter({
        kind: "savePlan",
        id: "mine",
        name: "Plan A",
        version: null,
        fromStageId: "s",
        stacks: [{ corner: "LF", parts }],
      });
    const plans = withWaiting(
      view,
      [
        save([{ id: "1", partId: "plate", raise: null }]),
        save([
          { id: "1", partId: "plate", raise: null },
          { id: "2", partId: null, raise: { typed: "10", unit: "mm" } },
          {
            id: "3",
            partId: null,
            raise: null,
            turns: { typed: "3", unit: "1" },
          },
        ]),
      ],
      [{ part: plate as never }],
    ).document.plans;
    expect(plans.map((p) => p.id)).toEqual(["p", "mine"]);
    expect(plans[1]).toMatchObject({
      fromStageId: "s",
      toStageId: null,
      stacks: [
        {
          corner: "LF",
          parts: [
            { id: "1", partId: "plate", name: "plate" },
            { id: "2", kind: "raisedCollar" },
            { id: "3", kind: "torsionAdjuster" },
          ],
        },
      ],
    });
    expect(
      withWaiting(view, [
        save([]),
        letter({ kind: "dropPlan", id: "mine", version: 0 }),
      ]).document.plans.map((p) => p.id),
    ).toEqual(["p"]);
  });

  it("holds the reason why a part goes in all the same, until it is taken back", () => {
    const why = (reason: string | null, says = "made for another") =>
      letter({
        kind: "fitAnyway",
        id: "p",
        version: 1,
        part: "plate",
        says,
        reason,
      });
    const reasons = (...letters: Letter[]) =>
      withWaiting(view, letters).document.plans[0]?.anyway?.map(
        (a) => a.reason,
      );
    expect(reasons(why("the same strut"))).toEqual(["the same strut"]);
    expect(reasons(why("a"), why("b"))).toEqual(["b"]);
    expect(reasons(why("a"), why("b", "too many"))).toEqual(["a", "b"]);
    expect(reasons(why("a"), why(null))).toEqual([]);
  });

  it("holds what was counted in a box, until the server has it", () => {
    const box = {
      id: "k",
      name: "Alder kit",
      pieces: ["plate", "block", "nut"].map((name) => ({
        name,
        count: 2,
        found: null,
        end: "open",
        why: null,
        stacks: [],
      })),
    };
    const withBox = {
      ...view,
      document: { ...view.document, kits: [box] },
    } as unknown as typeof view;
    const count = (pieces: object[]) =>
      letter({ kind: "countKit", id: "k", version: 1, pieces });
    const pieces = (...letters: Letter[]) =>
      withWaiting(withBox, letters).document.kits[0]?.pieces.map((p) => [
        p.found,
        p.end,
        p.why,
      ]);
    expect(
      pieces(
        count([{ name: "plate", found: 2, leftOut: false }]),
        // The last count is the one that stands.
        count([
          { name: "plate", found: 1, leftOut: false, why: null },
          { name: "block", found: null, leftOut: true, why: "rake" },
          { name: "nut", found: 2, leftOut: false, why: "no", used: true },
        ]),
      ),
    ).toEqual([
      [1, "missing", null],
      [null, "leftOut", "rake"],
      [2, "used", null],
    ]);
    expect(pieces()).toEqual(box.pieces.map(() => [null, "open", null]));
  });

  it("shows what was taken in as it was corrected here", () => {
    const d = withWaiting(view, [
      letter({
        kind: "correctTakenIn",
        ownerName: "Ida Vik",
        plate: "IV 7",
        wish: "level",
        variant: { built: 2014, bed: "long" },
        odometer: { typed: "81000", unit: "km", known: "told" },
      }),
    ]).document;
    expect([d.owner.name, d.vehicle.plate, d.job.wish]).toEqual([
      "Ida Vik",
      "IV 7",
      "level",
    ]);
    expect(d.job.odometerIn).toMatchObject({ value: 81000, unit: "km" });
    expect(d.vehicle).toMatchObject({ built: 2014, bed: "long" });
    expect(d.job.id).toBe("j");
  });
});
