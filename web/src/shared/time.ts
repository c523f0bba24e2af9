/** The time of day of an instant, where this device is. */
export const timeOfDay = (instant: string): string =>
  new Date(instant).toLocaleTimeString("en-GB", {
    hour: "2-digit",
    minute: "2-digit",
  });

/** Day and time of an instant, where this device is. */
export const dayAndTime = (instant: string): string =>
  new Date(instant).toLocaleString("en-GB", {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });

/** The day of an instant with its year, where this device is. */
export const dayOfYear = (instant: string): string =>
  new Date(instant).toLocaleDateString("en-GB", {
    day: "numeric",
    month: "short",
    year: "numeric",
  });
