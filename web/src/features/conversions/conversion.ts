import type { Schemas } from "../../api/client";
import type { NewCommand } from "../../api/command";
import type { Lines } from "../../shared/BothWays";
import type { LengthUnit } from "../../shared/length";
import { quantityText, typed, retypedWithUnit } from "../../shared/quantity";
import { fieldText, fieldUnit } from "../../shared/suspensions";

export type Axle = Schemas["Axle"];

/** What is typed of a suspension that comes. */
export interface ConversionText {
  suspension: Schemas["SuspensionKind"];
  sheet: string;
  setUpAt: string;
  from: "hub" | "floor";
  track: string;
  shacklePivot: Schemas["ShacklePivot"] | null;
  heightControl: Schemas["HeightControl"] | null;
  medium: Schemas["SpringMedium"] | null;
  sizes: Record<string, string>;
  points: Record<string, { across: string; up: string }>;
}

/** Sizes without which no height can be told, as they are asked of what was never on the vehicle: they stand first. */
export const decisive: Partial<Record<string, { label: string; how: string }>> =
  {
    springLength: {
      label: "Strut or coil at set-up, foot to top",
      how: "With the lips at the height above.",
    },
    springFreeLength: {
      label: "Its spring's free length",
      how: "By its maker, or taped before it goes in.",
    },
    springRate: { label: "Its spring's rate", how: "By its maker." },
  };

/** Sizes that a test on the vehicle finds, or that only a suspension which stood there can have. */
const never = ["wheelRate", "sag", "mountFound", "tyreGap"];

/** The sizes that are asked of a kind, those that decide the height first. */
export function askedOf(
  kind: Schemas["KindView"] | undefined,
  axle: Axle,
): Schemas["SuspensionSize"][] {
  const sizes = (kind?.sizes ?? []).filter(
    (s) => !never.includes(s.name) && (!s.steered || axle === "front"),
  );
  return [
    ...Object.keys(decisive).flatMap((name) =>
      sizes.filter((s) => s.name === name),
    ),
    ...sizes.filter((s) => !decisive[s.name]),
  ].map((s) => ({ ...s, ...decisive[s.name] }));
}

/** A conversion as it is typed again; of none, the kind that is there. */
export function textOf(
  conversion: Schemas["AxleConversion"] | undefined,
  kind: Schemas["SuspensionKind"],
): ConversionText {
  const to = conversion?.to;
  return {
    suspension: to?.kind ?? kind,
    sheet: to?.sheet ?? "",
    setUpAt: retypedWithUnit(conversion?.setUpAt ?? null),
    from: conversion?.from === "floor" ? "floor" : "hub",
    track: retypedWithUnit(to?.track ?? null),
    shacklePivot: to?.shacklePivot ?? null,
    heightControl: to?.heightControl ?? null,
    medium: to?.medium ?? null,
    sizes: Object.fromEntries(
      Object.entries(to?.dimensions ?? {}).map(([name, q]) => [
        name,
        fieldText(q),
      ]),
    ),
    points: Object.fromEntries(
      (to?.points ?? []).map((p) => [
        p.name,
        {
          across: retypedWithUnit(p.x ?? p.y ?? null),
          up: retypedWithUnit(p.z ?? null),
        },
      ]),
    ),
  };
}

/** The command that keeps it. */
export function commandOf(
  text: ConversionText,
  axle: Axle,
  plan: { id: string; version: number | null },
  kind: Schemas["KindView"] | undefined,
  unit: LengthUnit,
  stored?: Schemas["AxleConversion"],
): NewCommand {
  return {
    kind: "convertAxle",
    planId: plan.id,
    version: plan.version,
    axle,
    suspension: text.suspension,
    sheet: text.sheet,
    setUpAt: typed(text.setUpAt, unit),
    from: text.from,
    track: typed(text.track, unit),
    shacklePivot: text.shacklePivot,
    heightControl: text.heightControl,
    medium: text.medium,
    sizes: askedOf(kind, axle).map((s) => ({
      name: s.name,
      value: typed(
        text.sizes[s.name] ?? "",
        fieldUnit(s.unit, unit, stored?.to.dimensions[s.name]),
      ),
    })),
    points: (kind?.archetype?.points ?? [])
      .filter(({ name }) => text.points[name]?.across || text.points[name]?.up)
      .map(({ name }) => ({
        name,
        across: typed(text.points[name]?.across ?? "", unit),
        up: typed(text.points[name]?.up ?? "", unit),
      })),
  };
}

/** What comes in the place of what, by whose sheet, and at which height its sizes hold; as plan and record say it. */
export function conversionSays(
  { to, setUpAt, from }: Schemas["AxleConversion"],
  now: Schemas["SuspensionKind"],
  kinds: readonly Schemas["KindView"][],
): string {
  const said = (kind: Schemas["SuspensionKind"]) =>
    kinds.find((k) => k.kind === kind)?.said ?? "";
  return [
    `${to.kind === now ? "Other arms in the place of those that are there" : `In the place of: ${said(now)}`}${to.sheet ? `, by ${to.sheet}` : ""}.`,
    setUpAt
      ? `Its sizes hold with the lips at ${quantityText(setUpAt)} from the ${from}.`
      : "At which height its sizes hold nobody said yet.",
    to.track && `Track ${quantityText(to.track)}.`,
  ]
    .filter(Boolean)
    .join(" ");
}

/** A conversion as lines of a choice between two people's. */
export function linesOf(
  text: ConversionText,
  axle: Axle,
  kinds: readonly Schemas["KindView"][],
): Lines {
  const kind = kinds.find((k) => k.kind === text.suspension);
  return {
    "Comes in": kind?.said ?? "",
    "By the sheet of": text.sheet,
    "Set up at": text.setUpAt && `${text.setUpAt} from the ${text.from}`,
    Track: text.track,
    ...Object.fromEntries(
      askedOf(kind, axle).map((s) => [s.label, text.sizes[s.name] ?? ""]),
    ),
  };
}
