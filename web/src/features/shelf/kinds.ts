import type { Schemas } from "../../api/client";

export const kindWords: Record<Schemas["PartKind"], string> = {
  strutTopSpacer: "strut top spacer",
  block: "block",
  unknown: "unknown part",
};
