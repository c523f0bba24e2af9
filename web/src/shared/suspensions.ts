import type { Schemas, Unit } from "../api/client";
import { retyped, retypedWithUnit } from "./quantity";

/** Which axles have both wheels on one axle; none until the catalogue is here. */
export function liveAxles(
  kinds: Schemas["KindView"][],
  front: Schemas["SuspensionKind"],
  rear: Schemas["SuspensionKind"],
) {
  const live = (kind: Schemas["SuspensionKind"]) =>
    kinds.find((k) => k.kind === kind)?.liveAxle ?? false;
  return { front: live(front), rear: live(rear) };
}

/** Whether an axle is held sideways by a track bar: those have one to tape. */
export const onTrackBar = (
  kinds: Schemas["KindView"][],
  kind: Schemas["SuspensionKind"],
) =>
  kinds
    .find((k) => k.kind === kind)
    ?.sizes.some((s) => s.name === "trackBarRun") ?? false;

const imperial: Partial<Record<Unit, Unit>> = {
  mm: "in",
  "N/mm": "lb/in",
  kg: "lb",
};

/** The unit in which a size is typed: the person's own; what is stored already keeps the unit that it was typed in. */
export function fieldUnit(
  unit: Unit,
  length: "in" | "mm",
  stored?: Schemas["Quantity"],
): Unit {
  return stored && unit !== "mm"
    ? stored.unit
    : length === "in"
      ? (imperial[unit] ?? unit)
      : unit;
}

/** A stored size as its field shows it; lengths carry their unit. */
export function fieldText(q: Schemas["Quantity"]): string {
  return ["mm", "in", "cm"].includes(q.unit) ? retypedWithUnit(q) : retyped(q);
}

/** The label of a size's field: the unit stands in it unless a length is typed with its own. */
export function fieldLabel(label: string, unit: Unit): string {
  return unit === "in" || unit === "mm" || unit === "1"
    ? label
    : `${label}, ${unit}`;
}
