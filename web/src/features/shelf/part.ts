import type { NewShopCommand } from "../../api/command";
import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import type { LengthUnit } from "../../shared/length";
import { retypedWithUnit, typed } from "../../shared/quantity";
import { fieldText, fieldUnit } from "../../shared/suspensions";
import { blankBox, boxInput, editBox, type BoxText } from "./box";

export interface LeafText {
  count: string;
  front: string;
  rear: string;
  width: string;
  thickness: string;
  arch: string;
  overload: boolean;
}

/** A part as it is typed. */
export interface PartText {
  id: string;
  version: number | null;
  number: string;
  name: string;
  kind: Schemas["PartKind"];
  thickness: string;
  thicknessKnown: Schemas["Known"];
  claim: string;
  extension: string;
  sizes: Record<string, string>;
  stored: Record<string, Schemas["Quantity"]>;
  leaves: LeafText[];
  count: string;
  price: string;
  currency: string;
  hours: string;
  limits: string;
  madeFor: string;
  notes: string;
  supplier: string;
  dueOn: string;
  fit: Schemas["PartFit"];
  /** What is in the box, of a kit; null of every other part. */
  box: BoxText | null;
}

/** Of which nobody noted anything. */
export const noFit: Schemas["PartFit"] = {
  anyPlatform: false,
  platforms: [],
  notPlatforms: [],
  rules: [],
};

export const blankLeaf: LeafText = {
  count: "1",
  front: "",
  rear: "",
  width: "",
  thickness: "",
  arch: "",
  overload: false,
};

export const blankPart = (): PartText => ({
  id: v7(),
  version: null,
  number: "",
  name: "",
  kind: "strutTopSpacer",
  thickness: "",
  thicknessKnown: "measured",
  claim: "",
  extension: "",
  sizes: {},
  stored: {},
  leaves: [],
  count: "2",
  price: "",
  currency: "",
  hours: "",
  limits: "",
  madeFor: "",
  notes: "",
  supplier: "",
  dueOn: "",
  fit: noFit,
  box: null,
});

export const blankKit = (): PartText => ({
  ...blankPart(),
  kind: "kit",
  count: "1",
  box: blankBox(),
});

export const editPart = ({
  part: p,
  version,
}: Schemas["ShelfPart"]): PartText => ({
  id: p.id,
  version,
  number: p.number,
  name: p.name,
  kind: p.kind,
  thickness: retypedWithUnit(p.thickness),
  thicknessKnown: p.thickness?.known ?? "measured",
  claim: retypedWithUnit(p.claim),
  extension: retypedWithUnit(p.extension),
  sizes: Object.fromEntries(
    Object.entries(p.dimensions).map(([name, q]) => [name, fieldText(q)]),
  ),
  stored: p.dimensions,
  leaves: p.leaves.map((l) => ({
    count: l.count.toString(),
    front: l.frontMm.toString(),
    rear: l.rearMm.toString(),
    width: l.widthMm.toString(),
    thickness: l.thicknessMm.toString(),
    arch: l.archMm.toString(),
    overload: l.overload,
  })),
  count: p.count.toString(),
  price: p.price?.toString() ?? "",
  currency: p.currency ?? "",
  hours: p.hours?.value.toString() ?? "",
  limits: p.limits ?? "",
  madeFor: p.madeFor ?? "",
  notes: p.notes ?? "",
  supplier: p.supplier ?? "",
  dueOn: p.dueOn ?? "",
  fit: p.fit ?? noFit,
  box: p.kind === "kit" ? editBox(p.contents) : null,
});

/** Whether its maker states a lift at a design load: then it belongs to an engine, load and trim. */
export const isMadeForALoad = (kind: Schemas["PartKindView"]) =>
  kind.sizes.some((s) => s.name === "designLift");

/** A number as typed, comma or point; what is none becomes NaN, which the server refuses in words. */
export const numberOf = (text: string) => Number(text.trim().replace(",", "."));

/** Whether every number of a leaf can be read. */
export function leafProblem(leaves: LeafText[]): string | null {
  const bad = leaves.findIndex((l) =>
    [l.count, l.front, l.rear, l.width, l.thickness, l.arch].some(
      (t) => t.trim() === "" || Number.isNaN(numberOf(t)),
    ),
  );
  return bad < 0
    ? null
    : `Leaf ${(bad + 1).toString()}: each of its sizes is a number of mm.`;
}

/** The command that keeps a part as typed. */
export function partCommand(
  p: PartText,
  kind: Schemas["PartKindView"] | undefined,
  unit: LengthUnit,
  given: string[],
  kinds: Schemas["PartKindView"][] = [],
): Extract<NewShopCommand, { kind: "savePart" }> {
  return {
    kind: "savePart",
    id: p.id,
    version: p.version,
    number: p.number || null,
    name: p.name,
    part: p.kind,
    thickness:
      kind?.rule.amount === null
        ? null
        : typed(p.thickness, unit, p.thicknessKnown, given),
    claim: typed(p.claim, unit, "box", given),
    count: Number.parseInt(p.count, 10) || 0,
    price: p.price.trim() === "" ? null : numberOf(p.price),
    currency: p.currency || null,
    notes: p.notes || null,
    extension: typed(p.extension, unit, "measured", given),
    sizes: (kind?.sizes ?? []).map((s) => ({
      name: s.name,
      value: typed(
        p.sizes[s.name] ?? "",
        fieldUnit(s.unit, unit, p.stored[s.name]),
        "box",
        given,
      ),
    })),
    leaves:
      p.kind === "leafPack"
        ? p.leaves.map((l) => ({
            count: numberOf(l.count),
            frontMm: numberOf(l.front),
            rearMm: numberOf(l.rear),
            widthMm: numberOf(l.width),
            thicknessMm: numberOf(l.thickness),
            archMm: numberOf(l.arch),
            overload: l.overload,
          }))
        : [],
    hours: typed(p.hours, "h", "estimated"),
    limits: p.limits || null,
    // A kind that is made for no load has none, whatever was typed before.
    madeFor: kind && isMadeForALoad(kind) ? p.madeFor || null : null,
    fit: p.fit,
    supplier: p.supplier || null,
    dueOn: p.dueOn || null,
    contents: p.box && boxInput(p.box, kinds, unit, given),
  };
}
