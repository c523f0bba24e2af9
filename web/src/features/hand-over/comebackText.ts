import type { Schemas } from "../../api/client";
import { comebackCauses, comebackWords } from "../../api/words";

/** A comeback as it is typed. */
export interface ComebackText {
  for: Schemas["ComebackFor"] | "";
  words: string;
  cause: Schemas["ComebackCause"] | "";
  found: string;
}

export const comebackText = (
  said: Schemas["Comeback"] | null,
): ComebackText => ({
  for: said?.for ?? "",
  words: said?.words ?? "",
  cause: said?.cause ?? "",
  found: said?.found ?? "",
});

/** What is said of a comeback, line by line. */
export const comebackLines = (
  said: Schemas["ComebackInput"] | Schemas["Comeback"] | null,
): Record<string, string> => ({
  "Comes back for": said?.for ? comebackWords[said.for] : "nothing",
  "In the owner's words": said?.words ?? "",
  "Came back by": said?.cause ? comebackCauses[said.cause] : "nobody said",
  "What was found": said?.found ?? "",
});

export const comebackBody = (
  text: Pick<ComebackText, "for" | "words"> & Partial<ComebackText>,
): Schemas["ComebackInput"] => ({
  for: text.for === "" ? null : text.for,
  words: text.words || null,
  cause: text.cause ? text.cause : null,
  found: text.found ? text.found : null,
});

/** Whether the vehicle was here before, or somebody says that it came back. */
export const cameBack = (d: Schemas["JobDocument"]): boolean =>
  !!d.job.comeback || d.stages.some((s) => s.jobId !== d.job.id);
