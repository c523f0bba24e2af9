import type { Schemas } from "../../api/client";
import { dayText } from "../../shared/time";

type Due = Pick<Schemas["FollowUp"], "dueOn" | "dueAt">;

/** When a follow-up is due: by date or distance, whichever comes first. */
export function due(f: Due): string {
  const at =
    f.dueAt &&
    `at ${Math.round(f.dueAt.value).toLocaleString("en")} ${f.dueAt.unit}`;
  return [f.dueOn && `by ${dayText(f.dueOn)}`, at].filter(Boolean).join(" or ");
}

export const kmPerMile = 1.609344;

/** After how far something is due, as it is said and added: 50 mi where miles are read, 80 km elsewhere. */
export const farOf = (km: number, unit: "mi" | "km"): number =>
  Math.round((unit === "mi" ? km / kmPerMile : km) / 10) * 10;

/** What an odometer shows, as it is typed; a unit of its own goes before the reader's. Null where it is no number. */
export function odometerOf(
  text: string,
  unit: "mi" | "km",
): { value: number; unit: "mi" | "km" } | null {
  const read = /^([\d.,]+)\s*(?:(km)|(mi|miles?))?$/i.exec(text.trim());
  const value = Number.parseFloat(
    (read?.[1] ?? "").replaceAll(/,(?=\d{3}(?:\D|$))/g, "").replace(",", "."),
  );
  return Number.isNaN(value)
    ? null
    : { value, unit: read?.[2] ? "km" : read?.[3] ? "mi" : unit };
}

/** A day as this device's calendar has it, so many days from an instant. */
export function inDays(days: number, from = new Date()): string {
  const day = new Date(
    from.getFullYear(),
    from.getMonth(),
    from.getDate() + days,
    12,
  );
  return [
    day.getFullYear().toString().padStart(4, "0"),
    (day.getMonth() + 1).toString().padStart(2, "0"),
    day.getDate().toString().padStart(2, "0"),
  ].join("-");
}

/** Whether its day has passed; a distance is only known when the vehicle is there again. */
export const overdue = (f: Pick<Due, "dueOn">, today = inDays(0)): boolean =>
  f.dueOn !== null && f.dueOn < today;

/** What is written to the owner: copied by a person, never sent from here. */
export const wordsTo = (
  d: Schemas["JobDocument"],
  f: Schemas["FollowUp"],
  from: string,
): string =>
  [
    `Hello ${d.owner.name},`,
    `your ${[d.vehicle.make, d.vehicle.name].filter(Boolean).join(" ")} ${overdue(f) ? "was" : "is"} due with us ${due(f) || "soon"}: ${f.what}.${f.why ? ` ${f.why}` : ""}`,
    "When does it suit you?",
    from,
  ].join("\n");
