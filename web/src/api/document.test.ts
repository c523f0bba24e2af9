import { describe, expect, it } from "vitest";
import type { JobView, Schemas } from "./client";
import {
  begunPlan,
  currentStage,
  draftPlan,
  firstStage,
  heightAt,
  speaks,
  supportNow,
  type Doc,
} from "./document";

const stage = (id: string, ordinal: number) => ({ id, ordinal });
const doc = {
  stages: [stage("later", 1), stage("standard", -1), stage("found", 0)],
  plans: [
    { id: "done", fromStageId: "found", toStageId: "later" },
    { id: "old draft", fromStageId: "found", toStageId: null },
    { id: "next", fromStageId: "later", toStageId: null },
  ],
  supports: [
    { at: "2026-03-02T10:00:00Z", where: "all", position: "onWheels" },
    { at: "2026-03-02T09:00:00Z", where: "front", position: "hanging" },
  ],
} as unknown as Doc;

describe("the stages of a job", () => {
  it("begin with what was found, whatever a document says of the standard", () => {
    expect(firstStage(doc).id).toBe("found");
    expect(currentStage(doc).id).toBe("later");
  });

  it("know the plan that led here and the one that leads on", () => {
    expect(begunPlan(doc)?.id).toBe("done");
    expect(draftPlan(doc)?.id).toBe("next");
  });

  it("hang or stand by the last word, in whatever order they were kept", () => {
    expect(supportNow(doc, "LF")?.position).toBe("onWheels");
    expect(supportNow({ ...doc, supports: [] }, "LF")).toBeUndefined();
  });
});

describe("the round that speaks for a stage", () => {
  const round = (id: string, decides: boolean, stations = 1) => ({
    walkRoundId: id,
    stageId: "found",
    decides,
    stations: Array.from({ length: stations }, () => ({})),
  });
  const view = (...rounds: object[]) =>
    ({ results: { walkRounds: rounds } }) as unknown as JobView;

  it("is the latest that decides", () => {
    const v = view(round("a", true), round("b", true), round("c", false));
    expect(speaks(v, "found")?.walkRoundId).toBe("b");
  });

  it("is else the latest in which anything was read", () => {
    const v = view(round("a", false), round("b", false), round("c", true, 0));
    expect(speaks(v, "found")?.walkRoundId).toBe("b");
    expect(speaks(v, "later")).toBeUndefined();
  });
});

describe("the height of a station", () => {
  const stance = {
    datum: "hub",
    stations: [
      { station: "LF", datum: "floor", height: { value: 900 } },
      { station: "LF", datum: "hub", height: { value: 520 } },
      { station: "LM", datum: "floor", height: { value: 1040 } },
    ],
  } as unknown as Schemas["WalkRoundStance"];

  it("is the one from the round's own datum, where there are two", () => {
    expect(heightAt(stance, "LF")?.height.value).toBe(520);
    expect(heightAt(stance, "LM")?.height.value).toBe(1040);
    expect(heightAt(stance, "RR")).toBeUndefined();
    expect(heightAt(undefined, "LF")).toBeUndefined();
  });
});
