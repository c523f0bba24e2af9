import { describe, expect, it } from "vitest";
import type { JobView } from "./client";
import type { Letter } from "./outbox";
import { waitingIn, withWaiting } from "./waiting";

const view = {
  document: {
    job: { id: "j" },
    walkRounds: [{ id: "old", at: "2026-01-01", order: ["LF", "LR"] }],
    vehicle: { stations: [] },
    stages: [{ id: "s", ordinal: 1 }],
    plans: [{ id: "p", toStageId: "s" }],
    steps: [{ id: "1", planId: "p", step: "vehicle/raise" }],
  },
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
});
