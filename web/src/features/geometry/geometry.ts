import type { Schemas } from "../../api/client";
import { showText, type LengthUnit } from "../../shared/length";
import { weightText } from "../../shared/quantity";

export type Mechanism = Schemas["Mechanism"];
export type Way = Schemas["MechanismWay"];
export type Contact = Schemas["Contact"];
export type Travel = Schemas["MechanismTravel"];

const names: Record<Schemas["MechanismKind"], string> = {
  trackBar: "track bar",
  steering: "steering",
  caster: "caster",
  pinion: "pinion",
  propshaft: "propshaft",
  cvShaft: "CV shafts",
  swayBar: "sway-bar links",
  hoses: "hose and leads",
  contacts: "tyre gaps",
  arms: "camber and track",
  alignment: "alignment",
  headlights: "Headlights",
  axleLoads: "Axle loads",
  cornerScales: "Corner scales",
  sideSlope: "Side slope",
};

/** A mechanism as it heads a line. */
export const titleOf = (m: Pick<Mechanism, "kind" | "where">) =>
  m.where === "vehicle"
    ? names[m.kind]
    : `${m.where === "front" ? "Front" : "Rear"} ${names[m.kind]}`;

/** Its name in the address of the page. */
export const nameOf = (m: Pick<Mechanism, "kind" | "where">) =>
  `${m.where}-${m.kind}`;

/** The way that stands: what the plan has for it, else lifted, else as it was. */
export const standing = (m: Mechanism): Way | undefined =>
  m.ways.find((w) => w.kind === "planned") ??
  m.ways.find((w) => w.kind === "lifted") ??
  m.ways[0];

/** Nothing is neither above nor below itself. */
const signed = (shown: string) =>
  (Number(shown) === 0 ? "0.0" : shown).replace("-", "−");

/** A number of a mechanism as a person reads it, without its ±. */
export function figureText(
  value: number,
  unit: string,
  length: LengthUnit,
): string {
  if (unit === "mm") {
    return showText(value, length);
  }
  if (unit === "kg") {
    return weightText(value, length);
  }
  const shown = value.toFixed(1);
  if (unit === "1") {
    return `${signed(shown)} of 100`;
  }
  return `${signed(shown)}°`;
}

/** The number that a mechanism stands at, for a list; an axle's move to either side is told by its size. */
export function numberOf(m: Mechanism, length: LengthUnit): string {
  const figure = standing(m)?.figure;
  return figure?.value == null
    ? "not told"
    : figureText(
        m.kind === "trackBar" ? Math.abs(figure.value) : figure.value,
        figure.unit,
        length,
      );
}

/** A mechanism in the middle of a sentence. */
export const saidOf = (m: Pick<Mechanism, "kind" | "where">) =>
  titleOf(m).toLowerCase().replace("cv", "CV");

/** The place of the travel that is nearest to a height of the wheel. */
export function placeAt(travel: Travel, up: number): number {
  let best = 0;
  travel.upMm.forEach((mm, i) => {
    if (Math.abs(mm - up) < Math.abs((travel.upMm[best] ?? 0) - up)) {
      best = i;
    }
  });
  return best;
}

/** The ends of a bar at a place of the travel. */
export function endsAt(travel: Travel, name: string, place: number) {
  const ends = travel.rods.find((r) => r.name === name)?.ends;
  const [x1, z1, x2, z2] = ends?.slice(4 * place, 4 * place + 4) ?? [];
  return x1 === undefined ||
    z1 === undefined ||
    x2 === undefined ||
    z2 === undefined
    ? null
    : { x1, z1, x2, z2 };
}

/** What all ways together take up, mm: one frame for all of them, so that nothing jumps while it moves. */
export function boundsOf(travels: Travel[]) {
  const xs = travels.flatMap((t) =>
    t.rods.flatMap((r) => r.ends.filter((_, i) => i % 2 === 0)),
  );
  const zs = travels.flatMap((t) =>
    t.rods.flatMap((r) => r.ends.filter((_, i) => i % 2 === 1)),
  );
  return {
    left: Math.min(...xs),
    right: Math.max(...xs),
    low: Math.min(...zs),
    high: Math.max(...zs),
  };
}

/** What the wheel does at a place, in words. */
export const upSays = (up: number, length: LengthUnit) =>
  Math.abs(up) < 0.5
    ? "at ride height"
    : `wheel ${showText(Math.abs(up), length)} ${up > 0 ? "up" : "down"}`;
