import type { JobView, Schemas } from "./client";
import type { Letter } from "./outbox";

/** A job with the walk-rounds that were begun here and are not yet at the server, so that the work goes on. */
export function withWaiting(
  view: JobView,
  letters: readonly Letter[],
): JobView {
  const d = view.document;
  const known = new Set(d.walkRounds.map((w) => w.id));
  const begun = letters
    .filter(
      (l) =>
        l.job === d.job.id &&
        l.path.endsWith("/walk-rounds") &&
        !known.has(String(l.body.id)),
    )
    .map((l) => roundOf(l, d));
  return begun.length === 0
    ? view
    : {
        ...view,
        document: { ...d, walkRounds: [...d.walkRounds, ...begun] },
      };
}

function roundOf(
  letter: Letter,
  d: Schemas["JobDocument"],
): Schemas["WalkRound"] {
  const c = letter.body.conditions as Schemas["RoundConditions"];
  const last = d.walkRounds
    .toSorted((a, b) => a.at.localeCompare(b.at))
    .findLast((w) => w.order.length > 0);
  return {
    id: String(letter.body.id),
    stageId: String(letter.body.stageId),
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
  return letters.filter((l) => l.body.walkRoundId === round);
}
