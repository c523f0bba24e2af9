import type { Schemas } from "../../api/client";
import type { LengthUnit } from "../../shared/length";
import { retypedWithUnit, typed } from "../../shared/quantity";
import { fieldText, fieldUnit } from "../../shared/suspensions";

/** Pieces of one name in a box, as they are typed. */
export interface PieceText {
  name: string;
  count: string;
  /** Corners, as "LF RF"; empty for small things. */
  at: string;
  kind: Schemas["PartKind"] | "";
  thickness: string;
  thicknessKnown: Schemas["Known"];
  extension: string;
  sizes: Record<string, string>;
  stored: Record<string, Schemas["Quantity"]>;
  leaves: Schemas["Leaf"][];
}

/** What is in a kit's box, as it is typed. */
export interface BoxText {
  frontClaim: string;
  rearClaim: string;
  pieces: PieceText[];
  source: string;
  steps: string;
  torques: string;
  warnings: string;
}

export const blankPiece: PieceText = {
  name: "",
  count: "2",
  at: "",
  kind: "",
  thickness: "",
  thicknessKnown: "measured",
  extension: "",
  sizes: {},
  stored: {},
  leaves: [],
};

export const blankBox = (): BoxText => ({
  frontClaim: "",
  rearClaim: "",
  pieces: [blankPiece],
  source: "",
  steps: "",
  torques: "",
  warnings: "",
});

type Figures = Pick<
  Schemas["PlacedPart"],
  "kind" | "thickness" | "extension" | "dimensions" | "leaves"
>;

/** A piece with the figures of a part: as it lies on the shelf, or as it was typed before. */
export const withFigures = (piece: PieceText, p: Figures): PieceText => ({
  ...piece,
  kind: p.kind,
  thickness: retypedWithUnit(p.thickness),
  thicknessKnown: p.thickness?.known ?? "measured",
  extension: retypedWithUnit(p.extension),
  sizes: Object.fromEntries(
    Object.entries(p.dimensions).map(([name, q]) => [name, fieldText(q)]),
  ),
  stored: p.dimensions,
  leaves: p.leaves,
});

export const editBox = (box: Schemas["KitContents"] | null): BoxText =>
  box
    ? {
        frontClaim: retypedWithUnit(box.frontClaim),
        rearClaim: retypedWithUnit(box.rearClaim),
        pieces: box.pieces.map((p) => {
          const piece = {
            ...blankPiece,
            name: p.name,
            count: p.count.toString(),
            at: p.at.join(" "),
          };
          return p.part ? withFigures(piece, p.part) : piece;
        }),
        source: box.sheet?.source ?? "",
        steps: box.sheet?.steps ?? "",
        torques: box.sheet?.torques ?? "",
        warnings: box.sheet?.warnings ?? "",
      }
    : blankBox();

const pieceInput = (
  p: PieceText,
  kind: Schemas["PartKindView"] | undefined,
  unit: LengthUnit,
  given: string[],
): Schemas["BoxedPieceInput"] => ({
  name: p.name,
  count: Number.parseInt(p.count, 10) || 0,
  at:
    p.kind === ""
      ? []
      : (p.at.split(" ").filter(Boolean) as Schemas["Corner"][]),
  part: p.kind === "" ? null : p.kind,
  thickness: kind?.rule.amount
    ? typed(p.thickness, unit, p.thicknessKnown, given)
    : null,
  extension:
    p.kind === "strutTopSpacer"
      ? typed(p.extension, unit, "measured", given)
      : null,
  sizes: (kind?.sizes ?? []).map((s) => ({
    name: s.name,
    value: typed(
      p.sizes[s.name] ?? "",
      fieldUnit(s.unit, unit, p.stored[s.name]),
      "box",
      given,
    ),
  })),
  leaves: p.kind === "leafPack" ? p.leaves : [],
});

/** As the server is told. */
export const boxInput = (
  box: BoxText,
  kinds: Schemas["PartKindView"][],
  unit: LengthUnit,
  given: string[],
): Schemas["KitInput"] => ({
  frontClaim: typed(box.frontClaim, unit, "box", given),
  rearClaim: typed(box.rearClaim, unit, "box", given),
  pieces: box.pieces.map((p) =>
    pieceInput(
      p,
      kinds.find((k) => k.rule.kind === p.kind),
      unit,
      given,
    ),
  ),
  source: box.source || null,
  steps: box.steps || null,
  torques: box.torques || null,
  warnings: box.warnings || null,
});
