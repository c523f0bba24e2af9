import type { JobView, Schemas } from "./client";
import type { CommandOf, JobCommand } from "./command";
import { begunPlan } from "./document";
import type { Letter } from "./outbox";

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
  const begun = of(mine, "beginWalkRound").filter((c) => !known.has(c.id));
  const plan = begunPlan(d);
  const done = plan
    ? of(mine, "doStep").filter(
        (c) => !d.steps.some((s) => s.planId === plan.id && s.step === c.step),
      )
    : [];
  const plans = plansWith(
    d,
    mine,
    shelf.map((s) => s.part),
  );
  const said = of(mine, "correctTakenIn").at(-1);
  const off = plan ? offLinesWith(d, plan.id, mine) : d.offLines;
  const cuts = plan ? cutsWith(d, plan.id, mine) : d.cuts;
  const kits = kitsWith(d, mine);
  const looked = new Set(of(mine, "lookOver").map((c) => c.jointId));
  return begun.length + done.length + looked.size === 0 &&
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
  const added = of(letters, "addOffLine").filter(
    (c) => !d.offLines.some((o) => o.id === c.id),
  );
  const closed = of(letters, "closeOffLine").filter((c) =>
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
  const noted = of(letters, "noteCut").filter(
    (c) => !d.cuts.some((k) => k.id === c.id),
  );
  const struck = new Set(of(letters, "dropCut").map((c) => c.id));
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

/** The plans with what waits of them; the same list when nothing does. */
function plansWith(
  d: Schemas["JobDocument"],
  letters: readonly Letter[],
  parts: readonly Part[],
): Schemas["Plan"][] {
  return letters
    .map((l) => l.command)
    .reduce((plans, c) => {
      switch (c.kind) {
        case "savePlan": {
          const was = plans.find((p) => p.id === c.id);
          const plan = {
            ...(was ?? {
              id: c.id,
              fromStageId: c.fromStageId,
              toStageId: null,
              chosen: false,
              anyway: null,
              begunAt: null,
            }),
            name: c.name,
            stacks: stacksOf(c.stacks, d, plans, parts),
          };
          return was
            ? plans.map((p) => (p === was ? plan : p))
            : [...plans, plan];
        }
        case "choosePlan":
          return plans.map((p) =>
            p.toStageId === null ? { ...p, chosen: p.id === c.id } : p,
          );
        case "fitAnyway":
          return plans.map((p) =>
            p.id === c.id ? { ...p, anyway: anywayWith(p, c) } : p,
          );
        case "dropPlan":
          return plans.filter((p) => p.id !== c.id);
        default:
          return plans;
      }
    }, d.plans);
}

/** The kits as they were counted here; the same list when nothing waits. */
function kitsWith(
  d: Schemas["JobDocument"],
  letters: readonly Letter[],
): Schemas["Kit"][] {
  const counts = of(letters, "countKit");
  return counts.length === 0
    ? d.kits
    : d.kits.map((kit) => {
        const said = counts.filter((c) => c.id === kit.id).at(-1)?.pieces;
        return said
          ? {
              ...kit,
              pieces: kit.pieces.map((p) => {
                const its = said.find((s) => s.name === p.name);
                return its ? countedPiece(p, its) : p;
              }),
            }
          : kit;
      });
}

const countedPiece = (
  p: Schemas["KitPiece"],
  said: Schemas["KitPieceInput"],
): Schemas["KitPiece"] => ({
  ...p,
  found: said.found,
  why: said.leftOut ? (said.why ?? null) : null,
  end: said.leftOut
    ? "leftOut"
    : said.used
      ? "used"
      : (said.found ?? p.count) < p.count
        ? "missing"
        : "open",
});

/** The reasons of a plan with one that is written, or taken back. */
const anywayWith = (
  { anyway }: Schemas["Plan"],
  { part, says, reason }: CommandOf<"fitAnyway">,
): Schemas["FittedAnyway"][] => [
  ...(anyway ?? []).filter((a) => a.part !== part || a.says !== says),
  ...(reason === null ? [] : [{ part, says, reason, personId: "" }]),
];

/** Placings as pieces: what stands somewhere already, a part of the shelf, or a collar that is turned up. */
export function stacksOf(
  placings: Schemas["CornerPlacingsInput"][],
  d: Schemas["JobDocument"],
  plans: readonly Schemas["Plan"][],
  parts: readonly Part[],
): Schemas["CornerStack"][] {
  const standing = [...d.stages, ...plans].flatMap((of) =>
    of.stacks.flatMap((s) => s.parts),
  );
  return placings.map(({ corner, parts: pieces }) => ({
    corner,
    parts: pieces.flatMap((p): Schemas["PlacedPart"][] => {
      const there = standing.find((s) => s.id === p.id);
      const part = parts.find((s) => s.id === p.partId);
      return there
        ? [there]
        : part
          ? [{ ...part, id: p.id, partId: part.id, kitId: null }]
          : p.raise
            ? [setting(p.id, "raisedCollar", "Collar turned up")]
            : p.turns
              ? [setting(p.id, "torsionAdjuster", "Adjuster turned")]
              : p.earlier
                ? [setting(p.id, "steeringStops", "Steering stops set")]
                : [];
    }),
  }));
}

/** Something that is turned: by how much is told when it is stored. */
const setting = (
  id: string,
  kind: Schemas["PartKind"],
  name: string,
): Schemas["PlacedPart"] => ({
  id,
  partId: null,
  kitId: null,
  number: null,
  name,
  kind,
  thickness: null,
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
