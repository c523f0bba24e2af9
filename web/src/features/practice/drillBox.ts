import { v7 } from "uuid";
import { api, must, type Schemas } from "../../api/client";
import { Problem } from "../../api/problem";

type Done = Schemas["DrillInput"];

const place = (person: string) => `nokko.drills.${person}`;

/** Drills of somebody that this device did and the server has not yet. */
export function drillsWaiting(person: string): Done[] {
  try {
    const kept: unknown = JSON.parse(
      localStorage.getItem(place(person)) ?? "[]",
    );
    return Array.isArray(kept) ? (kept as Done[]) : [];
  } catch {
    return [];
  }
}

const keep = (person: string, drills: Done[]) => {
  localStorage.setItem(place(person), JSON.stringify(drills));
};

/** Keeps a drill on the device first, so that no network loses it. */
export function drillDone(person: string, done: Omit<Done, "id" | "at">): void {
  keep(person, [
    ...drillsWaiting(person),
    { ...done, id: v7(), at: new Date().toISOString() },
  ]);
}

/** Sends what waits; answers with how the last one went, or null where it still waits. */
export async function sendDrills(
  person: string,
): Promise<Schemas["DrillMarked"] | null> {
  let last: Schemas["DrillMarked"] | null = null;
  for (const done of drillsWaiting(person)) {
    try {
      last = must(await api.POST("/api/practice/drills", { body: done }));
    } catch (e) {
      // What the server will never take is not sent again; what it could not be asked waits.
      if (
        !(e instanceof Problem) ||
        e.status === 0 ||
        e.status >= 500 ||
        e.status === 401
      ) {
        return null;
      }
    }
    keep(
      person,
      drillsWaiting(person).filter((d) => d.id !== done.id),
    );
  }
  return last;
}
