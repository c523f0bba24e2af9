import type { Schemas } from "../../api/client";

/** A class as its likeliest cause says it, and that others move the corners alike. */
export const classWords = (c: Schemas["CauseClass"]): string =>
  [
    c.causes[0]?.said ?? "",
    ...(c.causes.length > 1 ? ["or what moves the corners alike"] : []),
  ].join(", ");

/** Where the corners stand, seen from above with the nose to the left. */
const places: Record<string, [number, number]> = {
  LF: [44, 62],
  RF: [44, 26],
  LR: [88, 62],
  RR: [88, 26],
};

/** Half of what a bar has room for, and what fills it at least, mm. */
const room = 17;
const least = 6;

/** At each corner: a base, what it stands off its plan, and what a cause would make of it, all on one scale. */
export function patternBars(
  off: Schemas["OffPlan"][],
  pattern: Schemas["OffPlan"][],
) {
  const most = Math.max(
    least,
    ...[...off, ...pattern].map((o) => Math.abs(o.mm)),
  );
  const bar = (x: number, y: number, mm: number) =>
    `M${x.toString()} ${y.toString()}v${((-room * mm) / most).toFixed(1)}`;
  return off.flatMap((o) => {
    const place = places[o.station];
    if (!place) {
      return [];
    }
    const [x, y] = place;
    return [
      {
        station: o.station,
        // Its name stands outside the body.
        x: x < 60 ? 14 : 106,
        y: y + 3,
        base: `M${(x - 9).toString()} ${y.toString()}h18`,
        off: bar(x - 4, y, o.mm),
        would: bar(
          x + 4,
          y,
          pattern.find((p) => p.station === o.station)?.mm ?? 0,
        ),
      },
    ];
  });
}

/** The check of a cause; undefined where nothing checks it. One roll settles both axles. */
export const checkOf = (
  causes: Schemas["Causes"],
  cause: Pick<Schemas["Cause"], "kind" | "where">,
) =>
  causes.checks.find(
    (c) =>
      c.kind === cause.kind &&
      (c.where === cause.where || cause.kind === "notSettled"),
  );

/** The check that is what is done next, where its outcome is no reading. */
export const nextCheck = (proof: Schemas["PlanProof"]) =>
  proof.next.kind === "check"
    ? proof.causes?.checks.find(
        (c) => c.kind === proof.next.cause && c.where === proof.next.where,
      )
    : undefined;

/** What is said of an outcome; what was found on earlier readings was put right since. */
export function heardOf(
  all: Schemas["CheckedCause"][],
  check: Pick<Schemas["CauseCheck"], "kind" | "where">,
  was: boolean,
  here: boolean,
): string {
  if (here) {
    return was ? "● It was that" : "○ Checked: it was not that";
  }
  const before = all.findLast(
    (c) => c.kind === check.kind && c.where === check.where,
  );
  return before?.wasIt
    ? "○ Found on earlier readings, put right since"
    : "○ Checked on earlier readings: it was not that";
}
