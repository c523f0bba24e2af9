import type { JobView, Schemas } from "./client";
import type { CommandOf } from "./command";
import { begunPlan } from "./document";
import { lettersOf, type Letter } from "./letters";
import { kitsWith, plansWith } from "./waitingPlans";

type Part = Schemas["Part"];

/** A job with what was done here and is not yet at the server, as far as it can be shown without being decided: rounds that were begun, steps that were ticked, stacks that were put together. */
export function withWaiting(
  view: JobView,
  letters: readonly Letter[],
  shelf: readonly { part: Part }[] = [],
): JobView {
  const d = view.document;
  const mine = letters.filter((l) => l.job === d.job.id);
  const known = new Set(
    [...d.walkRounds, ...d.steps].map((row: { id: string }) => row.id),
  );
  const begun = lettersOf(mine, "beginWalkRound").filter(
    (c) => !known.has(c.id),
  );
  const plan = begunPlan(d);
  const done = plan
    ? lettersOf(mine, "doStep").filter(
        (c) => !d.steps.some((s) => s.planId === plan.id && s.step === c.step),
      )
    : [];
  const plans = plansWith(
    d,
    mine,
    shelf.map((s) => s.part),
  );
  const said = lettersOf(mine, "correctTakenIn").at(-1);
  const off = plan ? offLinesWith(d, plan.id, mine) : d.offLines;
  const cuts = plan ? cutsWith(d, plan.id, mine) : d.cuts;
  const kits = kitsWith(d, mine);
  const looked = new Set(lettersOf(mine, "lookOver").map((c) => c.jointId));
  const roadTests = roadTestsWith(d, mine);
  const signatures = signaturesWith(d, mine);
  return begun.length + done.length + looked.size === 0 &&
    roadTests === d.roadTests &&
    signatures === d.signatures &&
    plans === d.plans &&
    off === d.offLines &&
    cuts === d.cuts &&
    kits === d.kits &&
    !said
    ? view
    : {
        ...view,
        fitting: {
          ...view.fitting,
          unlooked: view.fitting.unlooked.filter(
            (place) =>
              !d.joints.some((j) => j.place === place && looked.has(j.id)),
          ),
        },
        document: {
          ...d,
          offLines: off,
          cuts,
          kits,
          roadTests,
          signatures,
          ...(said && corrected(d, said)),
          plans,
          walkRounds: [...d.walkRounds, ...begun.map((c) => roundOf(c, d))],
          steps: [
            ...d.steps,
            ...done.map((c) => ({
              id: c.id,
              planId: plan?.id ?? "",
              step: c.step,
              minutes: c.minutes,
              work: null,
              usual: null,
              agreedBy: c.agreedBy ?? null,
              personId: "",
              at: new Date().toISOString(),
            })),
          ],
        },
      };
}

/** What was taken in, as it was corrected here. */
function corrected(
  d: Schemas["JobDocument"],
  c: CommandOf<"correctTakenIn">,
): Pick<Schemas["JobDocument"], "owner" | "vehicle" | "job"> {
  const { make, name, plate, vin, engine, drive, variant } = c;
  const { wish, carries, troubles, promisedOn, equipment } = c;
  const value = Number(c.odometer?.typed.replace(",", "."));
  return {
    owner: { ...d.owner, name: c.ownerName, contact: c.ownerContact },
    vehicle: {
      ...d.vehicle,
      make,
      name,
      plate,
      vin,
      engine,
      drive,
      ...variant,
    },
    job: {
      ...d.job,
      wish,
      carries,
      troubles,
      promisedOn,
      equipment,
      odometerIn:
        c.odometer && Number.isFinite(value)
          ? { ...c.odometer, value, u: null }
          : d.job.odometerIn,
    },
  };
}

/** What came off and what became of it, with what waits; the same list when nothing does. */
function offLinesWith(
  d: Schemas["JobDocument"],
  plan: string,
  letters: readonly Letter[],
): Schemas["OffLine"][] {
  const added = lettersOf(letters, "addOffLine").filter(
    (c) => !d.offLines.some((o) => o.id === c.id),
  );
  const closed = lettersOf(letters, "closeOffLine").filter((c) =>
    d.offLines.some((o) => o.id === c.id && o.fate === null),
  );
  if (added.length + closed.length === 0) {
    return d.offLines;
  }
  const now = new Date().toISOString();
  return [
    ...d.offLines.map((o) => {
      const c = closed.find((x) => x.id === o.id);
      return c ? { ...o, fate: c.fate, fateNote: c.note, closedAt: now } : o;
    }),
    ...added.map((c) => ({
      id: c.id,
      planId: plan,
      where: c.where,
      what: c.what,
      offBy: "",
      offAt: now,
      fate: null,
      fateNote: null,
      closedBy: null,
      closedAt: null,
    })),
  ];
}

/** What is cut and drilled, with what waits; the same list when nothing does. */
function cutsWith(
  d: Schemas["JobDocument"],
  plan: string,
  letters: readonly Letter[],
): Schemas["Cut"][] {
  const noted = lettersOf(letters, "noteCut").filter(
    (c) => !d.cuts.some((k) => k.id === c.id),
  );
  const struck = new Set(lettersOf(letters, "dropCut").map((c) => c.id));
  if (noted.length + struck.size === 0) {
    return d.cuts;
  }
  const now = new Date().toISOString();
  return [
    ...d.cuts,
    ...noted.flatMap((c) =>
      c.distance
        ? [
            {
              id: c.id,
              planId: plan,
              where: c.where,
              what: c.what,
              kind: c.how,
              from: c.from,
              distance: unread(c.distance),
              size: c.size ? unread(c.size) : null,
              count: c.count,
              personId: "",
              at: now,
            },
          ]
        : [],
    ),
  ].filter((c) => !struck.has(c.id));
}

/** As it was typed; what it comes to is read where it is stored. */
function unread(q: Schemas["QuantityInput"]): Schemas["Quantity"] {
  return { ...q, value: NaN, u: null };
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
    shut: c.shut ?? null,
    brakeHeld: c.brakeHeld ?? null,
    looksFront: null,
    looksRear: null,
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

/** Drives as they will be: one before and one after the work, the last word of each. */
function roadTestsWith(
  d: JobView["document"],
  mine: readonly Letter[],
): Schemas["RoadTest"][] {
  const noted = lettersOf(mine, "noteRoadTest");
  return noted.reduce<Schemas["RoadTest"][]>((tests, c) => {
    const was = tests.find((t) => t.after === c.after);
    return [
      ...tests.filter((t) => t !== was),
      {
        id: was?.id ?? c.id,
        after: c.after,
        answers: c.answers,
        personId: "",
        at: new Date().toISOString(),
      },
    ];
  }, d.roadTests);
}

/** Signatures that wait: they stand under what was read when they were drawn. */
function signaturesWith(
  d: JobView["document"],
  mine: readonly Letter[],
): Schemas["Signature"][] {
  const drawn = lettersOf(mine, "sign").filter(
    (c) => !d.signatures.some((s) => s.id === c.id),
  );
  return drawn.length === 0
    ? d.signatures
    : [
        ...d.signatures,
        ...drawn.map((c) => ({
          id: c.id,
          name: c.name,
          as: c.as,
          told: c.told,
          strokes: c.strokes,
          offerId: null,
          personId: "",
          at: new Date().toISOString(),
        })),
      ];
}
