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
