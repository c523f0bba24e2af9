import { v7 } from "uuid";
import type { Schemas } from "../../api/client";
import { partWords } from "../../api/words";
import type { Lines } from "../../shared/BothWays";
import { inMm, showText, type LengthUnit } from "../../shared/length";
import {
  cornerWords,
  quantityText,
  typed,
  type QuantityInput,
} from "../../shared/quantity";

export type Stacks = Schemas["CornerStack"][];
export type Side = "both" | "left" | "right";
export type Axle = Schemas["Axle"];
export type Corner = Schemas["Corner"];

/** A piece in its place. */
export interface Piece {
  corner: Corner;
  id: string;
}

/** What a hand carries: a part of the shelf, or a piece that stands already. */
export type Carried = { part: Schemas["Part"] } | { piece: Piece };

export const corners: Corner[] = ["LF", "RF", "LR", "RR"];

export const axleOf = (corner: string): Axle =>
  corner.endsWith("F") ? "front" : "rear";

/** The corners that are meant: both of an axle, or one on purpose. */
export function meant(axle: Axle, side: Side): Corner[] {
  return corners.filter(
    (c) =>
      axleOf(c) === axle &&
      (side === "both" || (side === "left") === c.startsWith("L")),
  );
}

/** Where a part goes: one a side where both are meant; what an axle has once goes to the end of the bar at the body. */
export function placesOf(
  perAxle: boolean,
  axle: Axle,
  side: Side,
  bodyEnd: Schemas["Side"] | null | undefined,
): Corner[] {
  return meant(axle, perAxle && side === "both" ? (bodyEnd ?? "left") : side);
}

const at = (stacks: Stacks, corner: string) =>
  stacks.find((s) => s.corner === corner)?.parts ?? [];

const whole = (parts: (corner: Corner) => Schemas["PlacedPart"][]): Stacks =>
  corners.map((corner) => ({ corner, parts: parts(corner) }));

/** A piece of the shelf at each of some corners; what stands alone, as a tyre, comes in place of the one that was planned there. */
export function placed(
  stacks: Stacks,
  part: Schemas["Part"],
  where: string[],
): Stacks {
  return whole((c) =>
    where.includes(c)
      ? [
          ...at(stacks, c).filter(
            (p) => p.kind !== part.kind || !partWords[part.kind].alone,
          ),
          { ...part, id: v7(), partId: part.id, kitId: null },
        ]
      : at(stacks, c),
  );
}

/** The piece of the other side that goes with a piece: the same part of the shelf, or the same setting. */
function twin(stacks: Stacks, corner: string, id: string) {
  const mine = at(stacks, corner).find((p) => p.id === id);
  const other = (corner.startsWith("L") ? "R" : "L") + corner.slice(1);
  const its = at(stacks, other).find(
    (p) =>
      mine &&
      p.kind === mine.kind &&
      p.name === mine.name &&
      p.partId === mine.partId,
  );
  return its ? { corner: other, id: its.id } : null;
}

/** Without a piece; with both sides meant, without its twin too. */
export function without(
  stacks: Stacks,
  corner: string,
  id: string,
  side: Side,
): Stacks {
  const gone = [id];
  const other = side === "both" ? twin(stacks, corner, id) : null;
  if (other) {
    gone.push(other.id);
  }
  return whole((c) => at(stacks, c).filter((p) => !gone.includes(p.id)));
}

/** A piece carried from one corner to another; with both sides meant, its twin goes along to the other end. */
export function moved(
  stacks: Stacks,
  from: string,
  id: string,
  to: string,
  side: Side,
): Stacks {
  const piece = at(stacks, from).find((p) => p.id === id);
  if (!piece || from === to) {
    return stacks;
  }
  const other =
    side === "both" && axleOf(from) !== axleOf(to)
      ? twin(stacks, from, id)
      : null;
  const its = other && at(stacks, other.corner).find((p) => p.id === other.id);
  const end = (to.startsWith("L") ? "R" : "L") + to.slice(1);
  return whole((c) => {
    const rest = at(stacks, c).filter((p) => p.id !== id && p.id !== other?.id);
    return c === to
      ? [...rest, piece]
      : its && c === end
        ? [...rest, its]
        : rest;
  });
}

/** Stacks that were found as placings: what stands already keeps its key, what comes gets one of its own. */
export function taken(
  found: Stacks,
  standing: Stacks,
): Schemas["CornerPlacingsInput"][] {
  const known = new Set(standing.flatMap((s) => s.parts.map((p) => p.id)));
  return corners.map((corner) => ({
    corner,
    parts: at(found, corner).map((p) =>
      known.has(p.id)
        ? { id: p.id, partId: null, raise: null }
        : { id: v7(), partId: p.partId, raise: null, ...settingOf(p) },
    ),
  }));
}

/** At what a setting stands, as it is told anew: an adjuster's turns, steering stops' degrees; nothing of everything else. */
const settingOf = (p: Schemas["PlacedPart"]) => {
  const told = (size: "turns" | "stopsEarlier"): QuantityInput | null => {
    const q = p.dimensions[size];
    return q ? typed(q.value.toString(), q.unit, q.known) : null;
  };
  return { turns: told("turns"), earlier: told("stopsEarlier") };
};

/** What a carried thing makes of the stacks where it is let go: a corner, "off" for the shelf; null where nothing changes. */
export function afterDrop(
  stacks: Stacks,
  it: Carried,
  place: string | null,
  side: Side,
  perAxle: (kind: Schemas["PartKind"]) => boolean,
): Stacks | null {
  if (place === null) {
    return null;
  }
  if ("part" in it) {
    return place === "off"
      ? null
      : placed(
          stacks,
          it.part,
          side === "both" && !perAxle(it.part.kind)
            ? meant(axleOf(place), "both")
            : [place],
        );
  }
  const { corner, id } = it.piece;
  return place === "off"
    ? without(stacks, corner, id, side)
    : place === corner
      ? null
      : moved(stacks, corner, id, place, side);
}

/** Settings, with nothing from the shelf: by how much a collar goes up, at how many turns an adjuster stands, by how much steering stops are set earlier. */
export type Turned = "raisedCollar" | "torsionAdjuster" | "steeringStops";

/** What settings are told in; a collar in the person's own unit of length. */
export const settingUnits = {
  torsionAdjuster: "1",
  steeringStops: "°",
} as const;

/** Stacks in which a setting is turned at some corners; adjusters and stops have one setting. */
export function turned(
  stacks: Stacks,
  where: string[],
  what: Turned,
  by: QuantityInput,
): Schemas["CornerPlacingsInput"][] {
  return placings(
    whole((c) =>
      at(stacks, c).filter(
        (p) => what === "raisedCollar" || !where.includes(c) || p.kind !== what,
      ),
    ),
  ).map((s) =>
    where.includes(s.corner)
      ? {
          ...s,
          parts: [
            ...s.parts,
            {
              id: v7(),
              partId: null,
              raise: what === "raisedCollar" ? by : null,
              turns: what === "torsionAdjuster" ? by : null,
              earlier: what === "steeringStops" ? by : null,
            },
          ],
        }
      : s,
  );
}

/** As the server is told: what is there already by its key, a setting by its amount. */
export function placings(stacks: Stacks): Schemas["CornerPlacingsInput"][] {
  return stacks.map((s) => ({
    corner: s.corner,
    parts: s.parts.map((p) => ({ id: p.id, partId: p.partId, raise: null })),
  }));
}

/** The same stacks for a plan beside: pieces of its own, but what is fitted already stays what it is. A kit is one box: its pieces stay where it is. */
export function copied(
  stacks: Stacks,
  fitted: Stacks,
): Schemas["CornerPlacingsInput"][] {
  const there = new Set(fitted.flatMap((s) => s.parts.map((p) => p.id)));
  return stacks.map((s) => ({
    corner: s.corner,
    parts: s.parts
      .filter((p) => there.has(p.id) || !p.kitId)
      .map((p) => ({
        id: there.has(p.id) ? p.id : v7(),
        partId: p.partId,
        raise:
          p.kind === "raisedCollar" && p.thickness && !there.has(p.id)
            ? typed(
                quantityText(p.thickness),
                p.thickness.unit,
                p.thickness.known,
              )
            : null,
        ...(there.has(p.id) ? { turns: null, earlier: null } : settingOf(p)),
      })),
  }));
}

/** A plan as lines, corner by corner from the body down, thicknesses as the person reads them. */
export function planLines(
  name: string,
  stacks: Stacks,
  unit: LengthUnit,
): Lines {
  const lines: Lines = { Name: name };
  for (const corner of corners) {
    lines[cornerWords[corner] ?? corner] = at(stacks, corner)
      .map((p) =>
        p.thickness
          ? `${p.name} (${showText(inMm(p.thickness), unit)})`
          : p.name,
      )
      .join(", ");
  }
  return lines;
}

/** The name of the next plan that stands beside others. */
export function nextName(names: string[]): string {
  for (const letter of "ABCDEFGHIJKLMNOPQRSTUVWXYZ") {
    if (!names.includes(`Plan ${letter}`)) {
      return `Plan ${letter}`;
    }
  }
  return `Plan ${(names.length + 1).toString()}`;
}
