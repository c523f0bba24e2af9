import type { Schemas } from "../../api/client";

/** Hours and money as they run. */
export const spentSays = (spent: Schemas["PracticeSpent"]): string =>
  `${spent.hours < 1 ? `${Math.round(60 * spent.hours).toString()} min` : `${spent.hours.toFixed(1)} h`} · ${Math.round(spent.money).toString()} spent`;

/** A tape's reading as it is typed, in thirty-seconds of an inch; null where it is none. */
export function thirtySeconds(typed: string): number | null {
  const found = /^\s*(\d{1,3})(?:[\s-]+(\d{1,2})\s*\/\s*(\d{1,2}))?\s*$/.exec(
    typed,
  );
  if (!found) {
    return null;
  }
  const [whole, over, under] = [
    Number(found[1]),
    Number(found[2] ?? 0),
    Number(found[3] ?? 1),
  ];
  return [1, 2, 4, 8, 16, 32].includes(under) && over < Math.max(under, 1)
    ? 32 * whole + (32 * over) / under
    : null;
}

/** Whether an answer is right: of a tape a thirty-second may be off. */
export const isRight = (
  question: Schemas["DrillQuestion"],
  answer: number | null,
): boolean =>
  answer !== null &&
  Math.abs(answer - question.right) <= (question.choices.length === 0 ? 1 : 0);

/** When a drill comes again, by the day that it is now. */
export function againSays(again: Schemas["DrillAgain"], now: Date): string {
  if (again.last === null) {
    return "Never done";
  }
  const went = `${again.last.right.toString()} of ${again.last.of.toString()}`;
  const days =
    again.dueAt === null
      ? 0
      : Math.ceil((Date.parse(again.dueAt) - now.getTime()) / 86_400_000);
  return days <= 0
    ? `${went} last time: due again`
    : `${went} last time: again in ${days.toString()} ${days === 1 ? "day" : "days"}`;
}

/** What was practised in a week. */
export const weekSays = (week: Schemas["PracticeWeek"]): string =>
  [
    week.drills > 0
      ? `${week.drills.toString()} ${week.drills === 1 ? "drill" : "drills"}, ${Math.round((100 * week.right) / Math.max(1, week.of)).toString()} % right`
      : null,
    week.exercises > 0
      ? `${week.exercises.toString()} ${week.exercises === 1 ? "exercise" : "exercises"}, ${Math.round(week.points ?? 0).toString()} points${week.exercises === 1 ? "" : " on the mean"}`
      : null,
  ]
    .filter((s) => s !== null)
    .join("; ");
