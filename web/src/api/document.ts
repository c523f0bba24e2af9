import type { JobView, Schemas } from "./client";

export type Doc = Schemas["JobDocument"];

export function currentStage(d: Doc) {
  return d.stages.reduce((a, b) => (b.ordinal > a.ordinal ? b : a));
}

/** The stage as found; standard heights from a document stand before it. */
export function firstStage(d: Doc) {
  return d.stages
    .filter((s) => s.ordinal >= 0)
    .reduce((a, b) => (b.ordinal < a.ordinal ? b : a));
}

/** The vehicle's suspension as it is put together now. */
export function suspensionNow(d: Doc) {
  const { front, rear } = currentStage(d);
  return { front, rear };
}

export function begunPlan(d: Doc) {
  const now = currentStage(d);
  return d.plans.find((p) => p.toStageId === now.id);
}

/** What was noted since the work that stands now began: a second pass makes what was driven or signed before it stale. */
export const sinceBegun = <T extends { at: string }>(
  d: Doc,
  rows: readonly T[],
): T[] => {
  const begun = begunPlan(d)?.begunAt;
  return begun ? rows.filter((row) => row.at >= begun) : [];
};

/** The quote that stands: the last one since work was begun last. */
export const quoteNow = (d: Doc): Schemas["Quote"] | null => {
  const begun = begunPlan(d)?.begunAt ?? "";
  return (
    d.quotes
      .filter((q) => q.at >= begun)
      .toSorted((a, b) => a.at.localeCompare(b.at))
      .at(-1) ?? null
  );
};

/** The plans that stand side by side, by name. */
export function draftPlans(d: Doc) {
  const now = currentStage(d);
  return d.plans
    .filter((p) => p.toStageId === null && p.fromStageId === now.id)
    .toSorted((a, b) =>
      a.name === b.name ? a.id.localeCompare(b.id) : a.name < b.name ? -1 : 1,
    );
}

/** The plan that shall be fitted next: the chosen one, else the first. */
export function draftPlan(d: Doc) {
  const drafts = draftPlans(d);
  return drafts.find((p) => p.chosen) ?? drafts[0];
}

/** The walk-round that speaks for a stage: the latest that decides, else the latest with readings. */
export function speaks(view: JobView, stage: string) {
  const mine = view.results.walkRounds.filter(
    (w) => w.stageId === stage && w.stations.length > 0,
  );
  return mine.findLast((w) => w.decides) ?? mine.at(-1);
}

export function heightAt(
  stance: Schemas["WalkRoundStance"] | undefined | null,
  station: string,
) {
  return (
    stance?.stations.find(
      (s) => s.station === station && s.datum === stance.datum,
    ) ?? stance?.stations.find((s) => s.station === station)
  );
}

/** What holds the vehicle up now, by the last word on it. */
export function supportNow(d: Doc, where: string) {
  const end = where.endsWith("F")
    ? "front"
    : where.endsWith("R")
      ? "rear"
      : where;
  return d.supports
    .filter((s) => s.where === "all" || end === "vehicle" || s.where === end)
    .toSorted((a, b) => a.at.localeCompare(b.at))
    .at(-1);
}
