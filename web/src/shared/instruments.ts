import type { Schemas } from "../api/client";
import type { LengthUnit } from "./length";
import { dayText } from "./time";

export type InstrumentKind = Schemas["InstrumentKind"];

/** What a kind of instrument is called. */
export const instrumentWords: Record<InstrumentKind, string> = {
  tape: "tape",
  angleGauge: "angle gauge",
  scales: "corner scales",
  torqueWrench: "torque wrench",
  rack: "alignment rack",
};

/** An error, or a ±, of an instrument: mm, ° or a share, without its sign. */
export function amountText(
  amount: number,
  kind: InstrumentKind,
  unit: LengthUnit,
): string {
  const by = Math.abs(amount);
  switch (kind) {
    case "tape":
      return unit === "in"
        ? `${(by / 25.4).toFixed(2)} in`
        : `${by.toFixed(1)} mm`;
    case "angleGauge":
    case "rack":
      return `${by.toFixed(2)}°`;
    case "scales":
    case "torqueWrench":
      return `${(100 * by).toFixed(1)} %`;
  }
}

/** Which way an instrument errs. */
export function wayText(error: number, kind: InstrumentKind): string {
  return kind === "tape"
    ? error > 0
      ? "long"
      : "short"
    : error > 0
      ? "too much"
      : "too little";
}

/** What is known of an instrument now, in a line. */
export function stateText(
  view: Schemas["InstrumentView"],
  unit: LengthUnit,
): string {
  const { kind } = view.instrument;
  const within = `± ${amountText(2 * view.now.u, kind, unit)}`;
  if (view.now.checkId === null) {
    return `never checked, ${within} by a rule of thumb`;
  }
  // Less than half of what is shown last is nothing.
  const by = amountText(view.now.error, kind, unit);
  return by === amountText(0, kind, unit)
    ? `reads right, ${within}`
    : `reads ${by} ${wayText(view.now.error, kind)}, ${within}; it is taken off`;
}

/** With what something was read, and what was taken off for it. */
export function byText(by: Schemas["ReadBy"], unit: LengthUnit): string {
  const off = amountText(by.error, by.kind, unit);
  return off === amountText(0, by.kind, unit)
    ? by.name
    : `${by.name}, ${by.error > 0 ? "−" : "+"}${off} for its error`;
}

/** Why an instrument is looked at with doubt; null where it is not. */
export function doubtText(
  view: Schemas["InstrumentView"],
  today: string,
): string | null {
  if (view.doubted) {
    return `${view.doubted.what} (${dayText(view.doubted.at.slice(0, 10))}), not checked since`;
  }
  return view.dueOn !== null && view.dueOn < today
    ? `its check was due on ${dayText(view.dueOn)}`
    : null;
}

/** Why what was read with an instrument is doubted, as a sentence. */
export function markText(
  mark: Schemas["InstrumentMark"],
  unit: LengthUnit,
): string {
  const on = dayText(mark.on);
  switch (mark.doubt) {
    case "overdue":
      return `${mark.name} was due for its check on ${on}, before this was read.`;
    case "mishap":
      return `${mark.name}: ${mark.what ?? ""} (${on}), before this was read, and nobody has checked it since.`;
    case "foundOff":
      return `${mark.name} was checked on ${on} and reads ${amountText(mark.off?.value ?? 0, mark.kind, unit)} ${wayText(mark.off?.value ?? 0, mark.kind)}, which was not known when this was read: read it again.`;
  }
}

/** The day of today, where this device is. */
export const todayHere = (): string => {
  const now = new Date();
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000)
    .toISOString()
    .slice(0, 10);
};
