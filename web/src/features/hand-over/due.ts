import type { Schemas } from "../../api/client";

/** When a follow-up is due: by date or distance, whichever comes first. */
export function due(f: Schemas["FollowUp"]): string {
  const at =
    f.dueAt &&
    `at ${Math.round(f.dueAt.value).toLocaleString("en")} ${f.dueAt.unit}`;
  return [f.dueOn && `by ${f.dueOn}`, at].filter(Boolean).join(" or ");
}
