import type { Schemas } from "../api/client";

export type Weekday = Schemas["ShopHours"]["days"][number];

/** The days of a week as the shop's hours name them, Monday first. */
export const weekdays: Weekday[] = [
  "monday",
  "tuesday",
  "wednesday",
  "thursday",
  "friday",
  "saturday",
  "sunday",
];

/** The day of the week of a day. */
export const weekdayOf = (day: string): Weekday =>
  weekdays[(new Date(`${day}T12:00:00Z`).getUTCDay() + 6) % 7] ?? "monday";
