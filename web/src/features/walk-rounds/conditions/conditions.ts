import type { Schemas } from "../../../api/client";
import type { LengthUnit } from "../../../shared/length";
import { typed } from "../../../shared/quantity";

/** The four wheels, in the order of forms. */
export const wheels = ["LF", "RF", "LR", "RR"] as const;

type ByWheel = Record<string, string>;

export interface ConditionsText {
  datum: Schemas["Datum"];
  denominator: number;
  walk: Schemas["WalkingOrder"] | null;
  settled: Schemas["Settled"];
  hubMarked: boolean;
  floorSurveyed: boolean;
  pads: ByWheel;
  spot: string;
  fuel: string;
  load: string;
  peopleIn: string;
  modes: Schemas["VehicleMode"][];
  steeringStraight: boolean;
  shut: boolean;
  brakeHeld: boolean;
  tyres: ByWheel;
  pressures: ByWheel;
  odometer: string;
  notes: string;
}

export const settledWords: Record<Schemas["Settled"], string> = {
  rolled: "rolled",
  bounced: "bounced",
  driven: "driven",
  no: "not yet",
};

export const modeWords: Record<Schemas["VehicleMode"], string> = {
  airNormal: "Air suspension, normal",
  airRaised: "Air suspension, raised",
  airLowered: "Air suspension, lowered",
  selfLevelling: "Self-levelling on",
  tow: "Tow mode",
  rideHigh: "Ride mode, high",
  rideLow: "Ride mode, low",
  aero: "Active aero on",
};

export const walkWords: Record<Schemas["WalkingOrder"], string> = {
  leftSideBack: "down the left, up the right",
  leftSideForward: "up the left, down the right",
  rightSideBack: "down the right, up the left",
  axleByAxle: "axle by axle",
};

export const datumWords: Record<Schemas["Datum"], string> = {
  hub: "hub centre",
  floor: "floor",
  rim: "edge of the rim",
  frame: "frame",
  own: "own mark",
};

export function conditionsBody(
  c: ConditionsText,
  unit: LengthUnit,
): Schemas["RoundConditionsInput"] {
  return {
    datum: c.datum,
    denominator: c.denominator,
    settled: c.settled,
    hubMarked: c.hubMarked,
    floorSurveyed: c.floorSurveyed,
    spot: c.spot || null,
    fuel: c.fuel || null,
    load: c.load || null,
    odometer: typed(c.odometer, unit === "in" ? "mi" : "km"),
    notes: c.notes || null,
    order: null,
    walk: c.walk,
    pads: wheels.flatMap((wheel) => {
      const height = typed(c.pads[wheel] ?? "", unit);
      return height ? [{ wheel, height }] : [];
    }),
    peopleIn: /^\d+$/.test(c.peopleIn.trim()) ? Number(c.peopleIn) : null,
    modes: c.modes,
    steeringStraight: c.steeringStraight,
    shut: c.shut,
    brakeHeld: c.brakeHeld,
    tyres: wheels.map((wheel) => ({
      wheel,
      size: c.tyres[wheel] || null,
      pressure: typed(c.pressures[wheel] ?? "", unit === "in" ? "psi" : "kPa"),
    })),
  };
}

export function conditionsOf(
  round: Schemas["WalkRound"] | undefined,
  unit: LengthUnit,
  settled: Pick<Schemas["ShopSettings"], "datum" | "denominator"> = {
    datum: "hub",
    denominator: 16,
  },
): ConditionsText {
  const by =
    <T>(rows: T[] | undefined, wheel: (row: T) => string) =>
    (text: (row: T) => string | null | undefined): ByWheel =>
      Object.fromEntries((rows ?? []).map((r) => [wheel(r), text(r) ?? ""]));
  const tyres = by(round?.tyres, (t) => t.wheel);
  return {
    datum: round?.datum ?? settled.datum,
    denominator: round
      ? round.division.unit === "mm"
        ? 1
        : Math.round(1 / round.division.value)
      : unit === "mm"
        ? 1
        : settled.denominator,
    walk: round ? null : "leftSideBack",
    settled: round?.settled ?? "rolled",
    hubMarked: round?.hubMarked ?? false,
    floorSurveyed: round?.floorSurveyed ?? false,
    pads: by(round?.pads, (p) => p.wheel)((p) => p.height.typed),
    spot: round?.spot ?? "bay 1",
    fuel: round?.fuel ?? "",
    load: round?.load ?? "",
    peopleIn: round?.peopleIn?.toString() ?? (round ? "" : "0"),
    modes: round?.modes ?? [],
    steeringStraight: round?.steeringStraight ?? true,
    shut: round?.shut ?? true,
    brakeHeld: round?.brakeHeld ?? false,
    tyres: tyres((t) => t.size),
    pressures: tyres((t) => t.pressure?.typed),
    odometer: round?.odometer?.typed ?? "",
    notes: round?.notes ?? "",
  };
}

/** The conditions as lines, each with its label. */
export function conditionsLines(c: ConditionsText): Record<string, string> {
  const by = (texts: ByWheel) =>
    wheels
      .map((w) => (texts[w] ? `${w} ${texts[w]}` : null))
      .filter((t) => t !== null)
      .join(", ");
  const yes = (it: boolean) => (it ? "yes" : "no");
  return {
    "From the": datumWords[c.datum],
    "Tape read to":
      c.denominator === 1 ? "1 mm" : `1/${c.denominator.toString()} in`,
    Settled: settledWords[c.settled],
    "Hubs marked": yes(c.hubMarked),
    "Floor surveyed": yes(c.floorSurveyed),
    Pads: by(c.pads),
    Spot: c.spot,
    Fuel: c.fuel,
    Load: c.load,
    "People in it": c.peopleIn,
    Modes: c.modes.map((m) => modeWords[m]).join(", "),
    "Wheels straight": yes(c.steeringStraight),
    "All shut": yes(c.shut),
    "Brake held the wheels": yes(c.brakeHeld),
    Tyres: by(c.tyres),
    Pressures: by(c.pressures),
    Odometer: c.odometer,
    Notes: c.notes,
  };
}

/** The conditions of a round in a few words, as they are repeated by one press. */
export function conditionsWords(round: Schemas["WalkRound"]): string {
  const parts = [
    round.spot && `on ${round.spot}`,
    round.hubMarked && "hubs marked",
    round.floorSurveyed ? "floor surveyed" : "floor not surveyed",
    round.fuel && `fuel ${round.fuel}`,
    round.load && `load ${round.load}`,
    round.peopleIn !== null &&
      (round.peopleIn === 0
        ? "nobody in"
        : `${round.peopleIn.toString()} in it`),
    ...round.modes.map((m) => modeWords[m].toLowerCase()),
    round.steeringStraight === true && "steering straight",
    round.steeringStraight === false && "steering not straight",
    round.shut === false && "something stood open",
    round.brakeHeld === true && "brake held",
    ...round.tyres
      .filter((t) => t.size !== null || t.pressure !== null)
      .map((t) =>
        [
          t.wheel,
          t.size,
          t.pressure && `${t.pressure.typed ?? ""} ${t.pressure.unit}`,
        ]
          .filter(Boolean)
          .join(" "),
      ),
  ];
  return parts.filter(Boolean).join(", ");
}
