import { describe, expect, it } from "vitest";
import type { JobView } from "./client";
import type { Letter } from "./outbox";
import { waitingIn, withWaiting } from "./waiting";

const view = {
  document: {
    job: { id: "j" },
    walkRounds: [{ id: "old", at: "2026-01-01", order: ["LF", "LR"] }],
    vehicle: { stations: [] },
  },
} as unknown as JobView;

const begin: Letter = {
  commandId: "1",
  job: "j",
  method: "POST",
  path: "/api/jobs/j/walk-rounds",
  body: {
    id: "new",
    stageId: "s",
    conditions: { datum: "hub", denominator: 16, settled: "rolled" },
  },
  says: "a walk-round",
};

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
    const known = { ...begin, body: { ...begin.body, id: "old" } };
    expect(withWaiting(view, [known])).toBe(view);
    expect(withWaiting(view, [{ ...begin, job: "other" }])).toBe(view);
  });

  it("knows which letters belong to a round", () => {
    const reading = { ...begin, body: { walkRoundId: "new" } };
    expect(waitingIn([begin, reading], "new")).toEqual([reading]);
  });
});
