/** How dates are written here: what the shop has settled. */
let written = "en-GB";

/** Writes dates from now on in a language. */
export const writeDatesIn = (language: string) => {
  written = language;
};

/** A day as a language writes it. */
export const dateIn = (language: string, day: Date): string =>
  day.toLocaleDateString(language, {
    day: "numeric",
    month: "short",
    year: "numeric",
  });

/** The time of day of an instant, where this device is. */
export const timeOfDay = (instant: string): string =>
  new Date(instant).toLocaleTimeString(written, {
    hour: "2-digit",
    minute: "2-digit",
  });

/** Day and time of an instant, where this device is. */
export const dayAndTime = (instant: string): string =>
  new Date(instant).toLocaleString(written, {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });

/** The day of an instant with its year, where this device is. */
export const dayOfYear = (instant: string): string =>
  dateIn(written, new Date(instant));

/** A day without a time, as the shop writes dates. */
export const dayText = (day: string): string => dayOfYear(`${day}T12:00:00`);

/** A day of the week and the day, short, as the shop writes dates. */
export const weekdayText = (day: string): string =>
  new Date(`${day}T12:00:00`).toLocaleDateString(written, {
    weekday: "short",
    day: "numeric",
    month: "short",
  });

/** A time of day as it is written in fields and papers. */
export const clock = (minute: number): string =>
  `${Math.floor(minute / 60)
    .toString()
    .padStart(2, "0")}:${Math.floor(minute % 60)
    .toString()
    .padStart(2, "0")}`;

/** Minutes of a time of day as a field gives it; null where none is typed. */
export function minuteOf(typed: string): number | null {
  const found = /^(\d{1,2}):(\d{2})$/.exec(typed);
  const [h, m] = found ? [Number(found[1]), Number(found[2])] : [NaN, NaN];
  return h < 24 && m < 60 ? h * 60 + m : null;
}

/** A booking in a line: when, where, who leads and who lends a hand. */
export const bookedText = (
  b: { day: string; from: number; bay: string | null; people: string[] },
  people: readonly { id: string; name: string }[],
): string =>
  [
    `${weekdayText(b.day)} ${clock(b.from)}`,
    b.bay,
    ...b.people.map((p) => people.find((x) => x.id === p)?.name),
  ]
    .filter(Boolean)
    .join(", ");
