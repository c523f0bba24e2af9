import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import type { Schemas } from "../../api/client";
import type { Lines } from "../../shared/BothWays";
import { clock, minuteOf } from "../../shared/time";
import { weekdays, type Weekday } from "../../shared/weekdays";
import { Field } from "./Entry";

/** The hours of a shop as they are typed. */
export interface HoursText {
  opens: string;
  pauseFrom: string;
  pauseTo: string;
  closes: string;
  days: Weekday[];
  closed: string;
}

export const hoursText = (h: Schemas["ShopHours"]): HoursText => ({
  opens: clock(h.opens),
  pauseFrom: clock(h.pauseFrom),
  pauseTo: clock(h.pauseTo),
  closes: clock(h.closes),
  days: [...h.days],
  closed: (h.closed ?? []).join("\n"),
});

/** Days that are written one on each line, or with commas. */
const daysIn = (text: string) => text.split(/[\s,;]+/).filter((d) => d !== "");

const isDay = (text: string) =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text));

/** What stands among the closed days and is none. */
export const noDay = (t: HoursText): string | undefined =>
  daysIn(t.closed).find((d) => !isDay(d));

/** What is sent; a time that is none is none there either. */
export const hoursTyped = (t: HoursText): Schemas["ShopHours"] => ({
  opens: minuteOf(t.opens) ?? -1,
  pauseFrom: minuteOf(t.pauseFrom) ?? -1,
  pauseTo: minuteOf(t.pauseTo) ?? -1,
  closes: minuteOf(t.closes) ?? -1,
  days: t.days,
  closed: daysIn(t.closed),
});

const short = (day: Weekday) => day.slice(0, 1).toUpperCase() + day.slice(1, 3);

const listed = (days: readonly Weekday[]) =>
  weekdays
    .filter((d) => days.includes(d))
    .map(short)
    .join(", ");

/** The hours as lines, each with its label. */
export const hoursLines = (t: HoursText): Lines => ({
  Works: `${t.opens} to ${t.closes}, pause ${t.pauseFrom} to ${t.pauseTo}`,
  "On these days": listed(t.days),
  "Closed on": daysIn(t.closed).join(", "),
});

/** When the shop works. */
export function HoursFields({
  text,
  set,
  refused,
}: {
  text: HoursText;
  set: (change: Partial<HoursText>) => void;
  refused: string | undefined;
}) {
  const time = (
    label: string,
    field: "opens" | "closes" | "pauseFrom" | "pauseTo",
  ) => (
    <TextField
      type="time"
      label={label}
      value={text[field]}
      error={refused !== undefined}
      onChange={(e) => {
        set({ [field]: e.target.value });
      }}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
  const wrong = noDay(text);
  return (
    <>
      {time("Opens", "opens")}
      {time("Closes", "closes")}
      {time("Pause from", "pauseFrom")}
      {time("Pause to", "pauseTo")}
      <TextField
        select
        label="Works on"
        value={text.days}
        error={refused !== undefined}
        helperText={refused}
        onChange={(e) => {
          set({ days: e.target.value as unknown as Weekday[] });
        }}
        slotProps={{
          select: {
            multiple: true,
            renderValue: (days) => listed(days as Weekday[]),
          },
        }}
      >
        {weekdays.map((d) => (
          <MenuItem key={d} value={d}>
            {short(d)}
          </MenuItem>
        ))}
      </TextField>
      <Field
        label="Closed on, one day on each line"
        value={text.closed}
        set={(closed) => {
          set({ closed });
        }}
        multiline
        placeholder="2026-12-24"
        slotProps={{ inputLabel: { shrink: true } }}
        refused={
          wrong === undefined
            ? undefined
            : `“${wrong}” is no day: year, month and day, as 2026-12-24.`
        }
      />
    </>
  );
}
