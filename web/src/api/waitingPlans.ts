import type { Schemas } from "./client";
import type { CommandOf } from "./command";
import { lettersOf, type Letter } from "./letters";

type Part = Schemas["Part"];

/** The plans with what waits of them; the same list when nothing does. */
export function plansWith(
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
              conversions:
                plans.find((p) => p.id === c.likePlanId)?.conversions ?? null,
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
export function kitsWith(
  d: Schemas["JobDocument"],
  letters: readonly Letter[],
): Schemas["Kit"][] {
  const counts = lettersOf(letters, "countKit");
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
