import type { Schemas } from "../../api/client";
import type { LengthUnit } from "../../shared/length";
import { typed } from "../../shared/quantity";

/** What is typed about a vehicle's sizes; an empty text is not known. */
export interface SizesText {
  wheelbase: string;
  frontTrack: string;
  rearTrack: string;
  frontSpringBase: string;
  rearSpringBase: string;
  frontAxleMass: string;
  rearAxleMass: string;
  frontUnsprungShare: string;
  rearUnsprungShare: string;
  sillHeight: string;
  midMark: string;
  frontAxleRating: string;
  rearAxleRating: string;
  cgHeight: string;
  tyreSize: string;
}

export const noSizes: SizesText = {
  wheelbase: "",
  frontTrack: "",
  rearTrack: "",
  frontSpringBase: "",
  rearSpringBase: "",
  frontAxleMass: "",
  rearAxleMass: "",
  frontUnsprungShare: "",
  rearUnsprungShare: "",
  sillHeight: "",
  midMark: "",
  frontAxleRating: "",
  rearAxleRating: "",
  cgHeight: "",
  tyreSize: "",
};

export function sizesBody(
  s: SizesText,
  unit: LengthUnit,
): Schemas["VehicleSizesInput"] {
  const mass = unit === "in" ? "lb" : "kg";
  return {
    wheelbase: typed(s.wheelbase, unit),
    frontTrack: typed(s.frontTrack, unit),
    rearTrack: typed(s.rearTrack, unit),
    frontSpringBase: typed(s.frontSpringBase, unit),
    rearSpringBase: typed(s.rearSpringBase, unit),
    frontAxleMass: typed(s.frontAxleMass, mass, "document"),
    rearAxleMass: typed(s.rearAxleMass, mass, "document"),
    frontUnsprungShare: typed(s.frontUnsprungShare, "1", "told"),
    rearUnsprungShare: typed(s.rearUnsprungShare, "1", "told"),
    sillHeight: typed(s.sillHeight, unit),
    midMark: typed(s.midMark, unit),
    frontAxleRating: typed(s.frontAxleRating, mass, "document"),
    rearAxleRating: typed(s.rearAxleRating, mass, "document"),
    cgHeight: typed(s.cgHeight, unit, "document"),
    tyreSize: s.tyreSize.trim() || null,
  };
}

/** Where each field lies, in % of the drawing, and what is assumed when it stays empty. */
export const fields: {
  key: keyof SizesText;
  label: string;
  left: number;
  top: number;
  guess: number | string;
  kind: "length" | "mass" | "share" | "text";
}[] = [
  {
    key: "frontAxleMass",
    label: "Weight on front axle",
    left: 0,
    top: 12,
    guess: 1150,
    kind: "mass",
  },
  {
    key: "frontUnsprungShare",
    label: "Unsprung part, front",
    left: 0,
    top: 24,
    guess: "0.12",
    kind: "share",
  },
  {
    key: "tyreSize",
    label: "Tyre size",
    left: 0,
    top: 41,
    guess: "265/70R17",
    kind: "text",
  },
  {
    key: "midMark",
    label: "Front axle to mid mark",
    left: 29.5,
    top: 2,
    guess: 1386,
    kind: "length",
  },
  {
    key: "sillHeight",
    label: "Sill above floor",
    left: 40,
    top: 35.5,
    guess: 480,
    kind: "length",
  },
  {
    key: "wheelbase",
    label: "Wheelbase",
    left: 40,
    top: 61.5,
    guess: 3300,
    kind: "length",
  },
  {
    key: "rearAxleMass",
    label: "Weight on rear axle",
    left: 79,
    top: 12,
    guess: 850,
    kind: "mass",
  },
  {
    key: "rearUnsprungShare",
    label: "Unsprung part, rear",
    left: 79,
    top: 24,
    guess: "0.20",
    kind: "share",
  },
  {
    key: "frontTrack",
    label: "Front track",
    left: 7,
    top: 71,
    guess: 1600,
    kind: "length",
  },
  {
    key: "rearTrack",
    label: "Rear track",
    left: 72,
    top: 71,
    guess: 1600,
    kind: "length",
  },
  {
    key: "frontSpringBase",
    label: "Between front springs",
    left: 29,
    top: 83,
    guess: 992,
    kind: "length",
  },
  {
    key: "rearSpringBase",
    label: "Between rear springs",
    left: 51,
    top: 83,
    guess: 1056,
    kind: "length",
  },
];

/** What its plates and papers say: nobody guesses them. */
export const papers: { key: keyof SizesText; label: string }[] = [
  { key: "frontAxleRating", label: "Front axle may carry" },
  { key: "rearAxleRating", label: "Rear axle may carry" },
  { key: "cgHeight", label: "Centre of gravity above floor" },
];

/** The sizes as lines, each with its label. */
export function sizesLines(sizes: SizesText): Record<string, string> {
  return Object.fromEntries(
    [...fields, ...papers].map((f) => [f.label, sizes[f.key]]),
  );
}
