/** The job at which somebody was last, on this device. */
export interface LastJob {
  /** Where in it: the page that was open. */
  path: string;
  /** Plate, VIN or name. */
  title: string;
}

const key = (person: string) => `nokko.last.${person}`;

export function keepLastJob(person: string, last: LastJob) {
  localStorage.setItem(key(person), JSON.stringify(last));
}

/** Null where there is none, or what is kept is none of ours. */
export function lastJob(person: string): LastJob | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key(person)) ?? "");
    return typeof kept === "object" &&
      kept !== null &&
      "path" in kept &&
      typeof kept.path === "string" &&
      kept.path.startsWith("/jobs/") &&
      "title" in kept &&
      typeof kept.title === "string"
      ? { path: kept.path, title: kept.title }
      : null;
  } catch {
    return null;
  }
}
