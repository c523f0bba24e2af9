import type { JobView, Schemas } from "./client";
import type { CommandOf, JobCommand } from "./command";
import { begunPlan } from "./document";
import type { Letter } from "./outbox";

/** A job with what was done here and is not yet at the server, as far as it can be shown without being decided: rounds that were begun, steps that were ticked. */
export function withWaiting(
  view: JobView,
  letters: readonly Letter[],
): JobView {
  const d = view.document;
  const mine = letters.filter((l) => l.job === d.job.id);
  const known = new Set(
    [...d.walkRounds, ...d.steps].map((row: { id: string }) => row.id),
  );
  const begun = of(mine, "beginWalkRound").filter((c) => !known.has(c.id));
  const plan = begunPlan(d);
  const done = plan
    ? of(mine, "doStep").filter(
        (c) => !d.steps.some((s) => s.planId === plan.id && s.step === c.step),
      )
    : [];
  return begun.length + done.length === 0
    ? view
    : {
        ...view,
        document: {
          ...d,
          walkRounds: [...d.walkRounds, ...begun.map((c) => roundOf(c, d))],
          steps: [
            ...d.steps,
            ...done.map((c) => ({
              id: c.id,
              planId: plan?.id ?? "",
              step: c.step,
              minutes: c.minutes,
              personId: "",
              at: new Date().toISOString(),
            })),
          ],
        },
      };
}

/** The commands of one kind among letters, in order. */
export function of<K extends JobCommand["kind"]>(
  letters: readonly Letter[],
  kind: K,
): CommandOf<K>[] {
  return letters
    .map((l) => l.command)
    .filter((c): c is CommandOf<K> => c.kind === kind);
}

function roundOf(
  command: CommandOf<"beginWalkRound">,
  d: Schemas["JobDocument"],
): Schemas["WalkRound"] {
  const c = command.conditions;
  const last = d.walkRounds
    .toSorted((a, b) => a.at.localeCompare(b.at))
    .findLast((w) => w.order.length > 0);
  return {
    id: command.id,
    stageId: command.stageId,
    jobId: d.job.id,
    datum: c.datum,
    division:
      c.denominator === 1
        ? { value: 1, unit: "mm", u: null, known: "told", typed: null }
        : {
            value: 1 / c.denominator,
            unit: "in",
            u: null,
            known: "told",
            typed: null,
          },
    order: c.order ?? last?.order ?? d.vehicle.stations.map((s) => s.name),
    fromDocument: false,
    settled: c.settled,
    hubMarked: c.hubMarked,
    floorSurveyed: c.floorSurveyed,
    pads: [],
    spot: c.spot,
    fuel: c.fuel,
    load: c.load,
    peopleIn: c.peopleIn ?? null,
    modes: c.modes ?? [],
    steeringStraight: c.steeringStraight ?? null,
    tyres: [],
    odometer: null,
    notes: c.notes,
    personId: "",
    at: new Date().toISOString(),
  };
}

/** Letters that carry a reading, a measure or a skip of one walk-round, in order. */
export function waitingIn(letters: readonly Letter[], round: string): Letter[] {
  return letters.filter(
    ({ command: c }) =>
      (c.kind === "storeReading" ||
        c.kind === "storeMeasure" ||
        c.kind === "passOver") &&
      c.walkRoundId === round,
  );
}
