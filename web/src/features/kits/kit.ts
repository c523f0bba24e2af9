import type { Schemas } from "../../api/client";
import type { Lines } from "../../shared/BothWays";
import { inMm, showText, type LengthUnit } from "../../shared/length";

/** What became of a piece, as it is typed. */
export interface PieceText {
  found: string;
  leftOut: boolean;
  why: string;
  used: boolean;
}

/** The pieces of a kit by their names. */
export type KitText = Record<string, PieceText>;

export const textOf = (kit: Schemas["Kit"]): KitText =>
  Object.fromEntries(
    kit.pieces.map((p) => [
      p.name,
      {
        found: p.found?.toString() ?? "",
        leftOut: p.end === "leftOut",
        why: p.why ?? "",
        used: p.end === "used",
      },
    ]),
  );

/** How many, as typed: nothing is not counted, and what is no number is refused by the server in words. */
const countOf = (text: string) =>
  text.trim() === ""
    ? null
    : /^\s*\d{1,3}\s*$/.test(text)
      ? Number.parseInt(text, 10)
      : -1;

/** As the server is told, in the order of the box. */
export const inputsOf = (
  kit: Schemas["Kit"],
  text: KitText,
): Schemas["KitPieceInput"][] =>
  kit.pieces.map(({ name }) => {
    const t = text[name];
    return {
      name,
      found: countOf(t?.found ?? ""),
      leftOut: t?.leftOut ?? false,
      why: t?.why.trim() ? t.why : null,
      used: t?.used ?? false,
    };
  });

/** Everything in the box, as many as there must be; what is left out stays out. */
export const allThere = (kit: Schemas["Kit"], text: KitText): KitText =>
  Object.fromEntries(
    kit.pieces.map((p) => {
      const t = text[p.name];
      return [
        p.name,
        {
          found: p.count.toString(),
          leftOut: t?.leftOut ?? false,
          why: t?.why ?? "",
          used: t?.used ?? false,
        },
      ];
    }),
  );

/** How a piece stands, in a word or two; null where nobody counted. */
export function pieceSays(p: Schemas["KitPiece"]): string | null {
  if (p.end === "leftOut") {
    return `left out: ${p.why ?? ""}`;
  }
  if (p.end === "used") {
    return "✓ used";
  }
  const found = p.found ?? null;
  if (found === null) {
    return null;
  }
  return found < p.count
    ? `■ ${(p.count - found).toString()} missing`
    : "✓ here";
}

/** Pieces that hold it up: not counted or missing before it goes up, neither used nor left out after. */
export const openOf = (kit: Schemas["Kit"], begun: boolean) =>
  kit.pieces.filter((p) =>
    begun
      ? p.end !== "used" && p.end !== "leftOut"
      : p.end !== "leftOut" && (p.found ?? -1) < p.count,
  );

/** How the box stands, in one line. */
export function kitSays(kit: Schemas["Kit"], begun: boolean): string {
  const open = openOf(kit, begun);
  const listed = open
    .map(
      (p) =>
        `${(begun ? p.count : p.count - (p.found ?? 0)).toString()} ${p.name}`,
    )
    .join(", ");
  if (open.length === 0) {
    return begun
      ? "✓ Every piece is used or left out."
      : "✓ Counted, nothing is missing.";
  }
  return begun
    ? `▲ Neither used nor left out: ${listed}.`
    : open.some((p) => p.found === null)
      ? "▲ Count what is in the box before it goes up."
      : `■ Missing: ${listed}.`;
}

/** Line by line, where two counted at once. */
export const linesOf = (kit: Schemas["Kit"], text: KitText): Lines =>
  Object.fromEntries(
    kit.pieces.map(({ name }) => {
      const t = text[name];
      return [
        name,
        t?.leftOut
          ? `left out: ${t.why}`
          : `${t?.found === "" ? "not counted" : (t?.found ?? "")}${t?.used ? ", used" : ""}`,
      ];
    }),
  );

/** What a kit on the shelf says that it lifts. */
export function claimsOf(
  kit: Schemas["Part"],
  unit: LengthUnit,
): string | null {
  const said = (
    [
      ["in front", kit.contents?.frontClaim],
      ["at the rear", kit.contents?.rearClaim],
      ["as a whole", kit.claim],
    ] as const
  ).flatMap(([where, q]) => (q ? [`${showText(inMm(q), unit)} ${where}`] : []));
  return said.length > 0 ? `claims ${said.join(", ")}` : null;
}
