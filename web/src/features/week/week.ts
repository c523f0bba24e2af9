import type { Schemas } from "../../api/client";
import { weekdayOf } from "../../shared/weekdays";

export type Block = Schemas["WeekBlock"];
export type Waiting = Schemas["WaitingBlock"];
export type View = Schemas["WeekView"];

/** A moment of the shop's own time: a day, and minutes after midnight. */
export interface Moment {
  day: string;
  minute: number;
}

/** Reads a time as the server writes it, without a zone. */
export function moment(local: string): Moment {
  const [day = "", time = ""] = local.split("T");
  const [h = "0", m = "0"] = time.split(":");
  return { day, minute: Number(h) * 60 + Number(m) };
}

/** A day so many days later. */
export function later(day: string, days: number): string {
  const at = new Date(`${day}T12:00:00Z`);
  at.setUTCDate(at.getUTCDate() + days);
  return at.toISOString().slice(0, 10);
}

/** How wide a day is drawn on which the shop is closed, beside one on which it works. */
const closedWidth = 0.16;

/** Where the days of the week stand on a line from 0 to 1. */
export function columns(
  days: readonly { day: string; works: boolean }[],
): { day: string; works: boolean; from: number; to: number }[] {
  const widths = days.map((d) => (d.works ? 1 : closedWidth));
  const all = widths.reduce((a, b) => a + b, 0);
  let from = 0;
  return days.map((d, i) => {
    const to = from + (widths[i] ?? 0) / all;
    const column = { day: d.day, works: d.works, from, to };
    from = to;
    return column;
  });
}

/** The days of the week on that line. */
export type Week = ReturnType<typeof columns>;

/** A place on the line as CSS writes it. */
export const share = (x: number): string => `${(100 * x).toFixed(3)}%`;

/** Where a moment stands on that line; what lies before or after the week stands at its end. */
export function placeOf(
  at: Moment,
  week: Week,
  hours: { opens: number; closes: number },
): number {
  const first = week[0];
  if (first === undefined || at.day < first.day) {
    return 0;
  }
  const column = week.find((c) => c.day === at.day);
  if (column === undefined) {
    return 1;
  }
  const share = (at.minute - hours.opens) / (hours.closes - hours.opens);
  return (
    column.from + Math.min(1, Math.max(0, share)) * (column.to - column.from)
  );
}

/** Steps in which something is moved, min. */
export const step = 15;

/** The moment at a place on that line, on a whole quarter of an hour while the shop works. */
export function momentAt(
  place: number,
  week: Week,
  hours: { opens: number; closes: number },
): Moment {
  const column =
    week.find((c) => place < c.to) ?? week[week.length - 1] ?? null;
  if (column === null) {
    return { day: "", minute: hours.opens };
  }
  const share = column.works
    ? Math.max(0, (place - column.from) / (column.to - column.from))
    : 0;
  const minute =
    Math.round((hours.opens + share * (hours.closes - hours.opens)) / step) *
    step;
  return {
    day: column.day,
    minute: Math.min(minute, hours.closes - step),
  };
}

/** The moment so many minutes of work later or earlier: over the pause of the night to the next day of work. */
export function moved(
  from: Moment,
  by: number,
  hours: Schemas["ShopHours"],
): Moment {
  let { day, minute } = from;
  minute = Math.min(Math.max(minute + by, 0), 24 * 60);
  const works = (d: string) =>
    hours.days.includes(weekdayOf(d)) && !(hours.closed ?? []).includes(d);
  const walk = (way: 1 | -1) => {
    // A shop that is closed for a year is not worked in.
    for (let n = 0; n < 400; n++) {
      day = later(day, way);
      if (works(day)) {
        return;
      }
    }
  };
  if (minute >= hours.closes) {
    walk(1);
    minute = hours.opens;
  } else if (minute < hours.opens) {
    walk(-1);
    minute = hours.closes - Math.abs(by);
  }
  return { day, minute };
}

/** To five minutes: nobody foretells work to the minute. */
const five = ({ day, minute }: Moment): Moment => ({
  day,
  minute: Math.min(5 * Math.round(minute / 5), 24 * 60 - 1),
});

/** When something stands in the week: begun or to begin, and done; what is handed over, from when it was booked. */
export function spanOf(b: Block): {
  from: Moment;
  until: Moment;
  late: Moment;
} {
  const booked = { day: b.booking.day, minute: b.booking.from };
  if (b.plan) {
    const { from, until, late, lateMinutes } = b.plan.when;
    return {
      from: lateMinutes > 0 ? five(moment(from)) : moment(from),
      until: five(moment(until)),
      late: five(moment(late)),
    };
  }
  const done = b.doneAt === null ? booked : moment(b.doneAt);
  return { from: booked, until: done, late: done };
}

/** Initials of a name. */
export const initials = (name: string): string =>
  name
    .split(/\s+/)
    .map((w) => w[0] ?? "")
    .join("")
    .slice(0, 3)
    .toUpperCase();
