import type { Schemas, Unit } from "../../api/client";

const perPoundFoot = 1.3558179483;

export type TorqueUnit = Extract<Unit, "lb·ft" | "N·m">;

/** A torque in one of the units of a bay. */
export function torqueIn(
  q: { value: number; unit: Unit },
  unit: TorqueUnit,
): number {
  if (q.unit === unit) {
    return q.value;
  }
  const nm = q.unit === "lb·ft" ? q.value * perPoundFoot : q.value;
  return unit === "lb·ft" ? nm / perPoundFoot : nm;
}

/** As it was typed to a tenth; what is only turned into the other unit has a tenth where that is worth something. */
function digits(value: number, typed: boolean): string {
  return typed || value < 20
    ? Number(value.toFixed(1)).toString()
    : Math.round(value).toString();
}

/** A torque in both units, as it is read in a bay. */
export function torqueText(q: { value: number; unit: Unit }): string {
  return (["lb·ft", "N·m"] as const)
    .map((unit) => `${digits(torqueIn(q, unit), q.unit === unit)} ${unit}`)
    .join(" · ");
}

/** A stored torque as its field shows it: as typed, or turned into the field's unit. */
export function torqueField(
  q: { value: number; unit: Unit; typed: string | null },
  unit: TorqueUnit,
): string {
  return q.unit === unit && q.typed !== null
    ? q.typed
    : String(Number(torqueIn(q, unit).toFixed(1)));
}

/** A typed torque as a stored one is said; what is no number stays as it is. */
export function torqueSaid(text: string, unit: TorqueUnit): string {
  const value = Number(text.trim().replace(",", "."));
  return text.trim() !== "" && Number.isFinite(value)
    ? torqueText({ value, unit })
    : text;
}

const order: Schemas["Pass"][] = ["hand", "snug", "final"];

/** Passes over a joint under one plan, in order; what was noted at one instant goes on from pass to pass. */
export function passesOver(
  d: Pick<Schemas["JobDocument"], "torqueEntries">,
  joint: string,
  plan: string | undefined,
): Schemas["TorqueEntry"][] {
  return d.torqueEntries
    .filter((t) => t.jointId === joint && t.planId === plan)
    .sort(
      (a, b) =>
        a.at.localeCompare(b.at) ||
        order.indexOf(a.pass) - order.indexOf(b.pass),
    );
}
