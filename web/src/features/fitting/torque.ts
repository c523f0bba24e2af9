const perPoundFoot = 1.3558179483;

/** A torque in both units, as it is read in a bay. */
export function torqueText(q: { value: number; unit: string }): string {
  const nm = q.unit === "lb·ft" ? q.value * perPoundFoot : q.value;
  return `${Math.round(nm / perPoundFoot).toString()} lb·ft · ${Math.round(nm).toString()} N·m`;
}
