import type { Doc } from "../../../api/document";
import { quantityText } from "../../../shared/quantity";

/** A reading that another one replaced or took back; both stay. */
export interface Correction {
  id: string;
  walkRound: string;
  /** A station, or the key of a measure and its place. */
  measure: string | null;
  place: string;
  from: string | null;
  was: string;
  /** Null: taken back, with nothing in its place. */
  now: string | null;
  reason: string;
  by: string;
}

export function corrections(d: Doc): Correction[] {
  return d.readings.flatMap((r) => {
    const wrong = d.readings.find((x) => x.id === r.supersedes);
    return wrong
      ? [
          {
            id: r.id,
            walkRound: r.walkRoundId,
            measure: wrong.measure,
            place: wrong.place.name ?? "",
            from: wrong.ownMark ?? wrong.from,
            was: said(wrong),
            now: r.value === null && r.note === null ? null : said(r),
            reason: r.reason ?? "",
            by: d.people.find((p) => p.id === r.personId)?.name ?? "",
          },
        ]
      : [];
  });
}

function said(r: Doc["readings"][number]): string {
  if (r.skipped) {
    return `passed over, ${r.note ?? ""}`;
  }
  return r.value === null ? (r.note ?? "") : quantityText(r.value);
}
