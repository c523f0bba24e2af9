import type { Schemas } from "../../api/client";

/** When a job needs somebody: what was due before today, today, within a week, later, and what is handed over and comes back. */
export type When = "late" | "today" | "week" | "later" | "back";

export const whenWords: Record<When, string> = {
  late: "Overdue",
  today: "Today",
  week: "Within a week",
  later: "Later, or promised for no day",
  back: "To come back",
};

/** By when a job is due: of an open one the day that was promised or on which it is booked, whichever is first; of one that is handed over its next follow-up. */
export function whenOf(
  job: {
    facts: Pick<
      Schemas["YardFacts"],
      "handedOver" | "promisedOn" | "booked" | "followUps"
    >;
  },
  today: string,
  inAWeek: string,
): When {
  const f = job.facts;
  const days = (
    f.handedOver
      ? f.followUps.map((u) => u.dueOn)
      : [f.promisedOn, f.booked?.day ?? null]
  ).filter((d) => d !== null);
  const first = days.toSorted()[0];
  return first === undefined
    ? f.handedOver
      ? "back"
      : "later"
    : first < today
      ? "late"
      : first === today
        ? "today"
        : f.handedOver
          ? "back"
          : first <= inAWeek
            ? "week"
            : "later";
}

/** Things in groups, each group where its first thing stood. */
export function grouped<T, K>(of: T[], by: (it: T) => K): [K, T[]][] {
  const groups = new Map<K, T[]>();
  for (const it of of) {
    const key = by(it);
    groups.set(key, [...(groups.get(key) ?? []), it]);
  }
  return [...groups];
}
