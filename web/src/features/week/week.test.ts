import { describe, expect, it } from "vitest";
import {
  columns,
  initials,
  later,
  moment,
  momentAt,
  moved,
  placeOf,
} from "./week";

const hours = {
  opens: 480,
  pauseFrom: 720,
  pauseTo: 750,
  closes: 1020,
  days: ["monday", "tuesday", "wednesday", "thursday", "friday"] as (
    | "monday"
    | "tuesday"
    | "wednesday"
    | "thursday"
    | "friday"
  )[],
  closed: null,
};

/** Monday 2 to Sunday 8 March 2026, closed at the weekend. */
const days = Array.from({ length: 7 }, (_, i) => ({
  day: later("2026-03-02", i),
  works: i < 5,
}));
const week = columns(days);

describe("the week as a line", () => {
  it("fills the line, and days on which nobody works are narrow", () => {
    expect(week[0]?.from).toBe(0);
    expect(week[6]?.to).toBeCloseTo(1, 9);
    const [monday, saturday] = [week[0], week[5]];
    expect(monday && saturday && monday.to - monday.from).toBeGreaterThan(
      4 * ((saturday?.to ?? 0) - (saturday?.from ?? 0)),
    );
  });

  it("finds every quarter of an hour of work again where it is drawn", () => {
    for (const c of week.filter((x) => x.works)) {
      for (let minute = hours.opens; minute < hours.closes; minute += 15) {
        const place = placeOf({ day: c.day, minute }, week, hours);
        expect(momentAt(place + 1e-6, week, hours)).toEqual({
          day: c.day,
          minute,
        });
      }
    }
  });

  it("keeps what lies outside the week at its ends", () => {
    expect(placeOf({ day: "2026-03-01", minute: 600 }, week, hours)).toBe(0);
    expect(placeOf({ day: "2026-03-09", minute: 600 }, week, hours)).toBe(1);
    const monday = placeOf({ day: "2026-03-02", minute: 0 }, week, hours);
    expect(monday).toBe(0);
  });

  it("drops on the opening where the shop is closed, and never at closing", () => {
    const saturday = week[5];
    expect(
      momentAt(((saturday?.from ?? 0) + (saturday?.to ?? 0)) / 2, week, hours),
    ).toEqual({ day: "2026-03-07", minute: 480 });
    expect(momentAt((week[0]?.to ?? 0) - 1e-6, week, hours)).toEqual({
      day: "2026-03-02",
      minute: 1005,
    });
  });
});

describe("moving by keys", () => {
  it("goes on with the next day of work", () => {
    expect(moved({ day: "2026-03-06", minute: 960 }, 60, hours)).toEqual({
      day: "2026-03-09",
      minute: 480,
    });
    expect(moved({ day: "2026-03-09", minute: 480 }, -60, hours)).toEqual({
      day: "2026-03-06",
      minute: 960,
    });
    expect(moved({ day: "2026-03-03", minute: 600 }, 60, hours)).toEqual({
      day: "2026-03-03",
      minute: 660,
    });
  });

  it("leaves out a day that is named as closed", () => {
    expect(
      moved({ day: "2026-03-03", minute: 1000 }, 60, {
        ...hours,
        closed: ["2026-03-04"],
      }),
    ).toEqual({ day: "2026-03-05", minute: 480 });
  });

  it("ends in a shop that never works", () => {
    expect(
      moved({ day: "2026-03-03", minute: 1000 }, 60, { ...hours, days: [] })
        .minute,
    ).toBe(480);
  });
});

it("reads times as the server writes them, in no zone", () => {
  expect(moment("2026-03-02T14:35:10.5")).toEqual({
    day: "2026-03-02",
    minute: 875,
  });
  expect(later("2026-02-27", 2)).toBe("2026-03-01");
});

it("names hands by their initials", () => {
  expect(initials("Brenna Tarn")).toBe("BT");
});
