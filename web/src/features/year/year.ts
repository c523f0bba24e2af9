import type { Schemas } from "../../api/client";

const percent = (share: number) => `${Math.round(share * 100).toString()} %`;

const jobs = (n: number) => (n === 1 ? "1 job" : `${n.toString()} jobs`);

/** Where the shop's own share lies; nothing of no case. */
export const rangeSays = ({ value, low, high }: Schemas["Share"]): string =>
  value === null || low === null || high === null
    ? ""
    : `${percent(value)}; by so few, really from ${percent(low)} to ${percent(high)}`;

/** What is in the share of those that were right, and what is not. */
export function rightSays(year: Schemas["ShopYear"]): string {
  const beside = [
    ...(year.untold > 0
      ? [
          `of ${jobs(year.untold)} nobody can tell: not read again, not settled, or too near the edge`,
        ]
      : []),
    ...(year.notFitted > 0
      ? [`in ${jobs(year.notFitted)} nothing was fitted`]
      : []),
  ];
  const all = `${jobs(year.jobs)} left`;
  return beside.length === 0 ? `${all}.` : `${all}; ${beside.join(", ")}.`;
}

const hours = (h: number) => `${h.toFixed(h < 10 ? 1 : 0)} h`;

/** Hours that were usual, beside those that it took. */
export function hoursSay(h: Schemas["YearHours"]): string {
  if (h.jobs === 0) {
    return "Nobody noted yet how long a step took. Type it at Done: the week plans by it.";
  }
  const spread =
    h.quarter !== null && h.threeQuarters !== null
      ? ` Half of the jobs took between ${percent(h.quarter)} and ${percent(h.threeQuarters)} of what is usual.`
      : "";
  return `Of ${jobs(h.jobs)} with noted steps: ${hours(h.usual)} are usual, ${hours(h.taken)} it took, ${percent(h.taken / h.usual)}.${spread}`;
}

/** So many days. */
export const daysSay = (days: number): string =>
  days === 1 ? "a day" : `${days.toString()} days`;
