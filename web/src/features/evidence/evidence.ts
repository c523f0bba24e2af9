import type { Schemas } from "../../api/client";

export const trialKey = (t: { planId: string; axle: string }) =>
  `${t.planId} ${t.axle}`;

/** How claims do in general, in one sentence. */
export function claimsSay(
  e: Pick<Schemas["EvidenceView"], "claims" | "claimsWithin" | "claimShare">,
): string {
  if (e.claimShare === null) {
    return "No part here had a claim to compare. Claims are recorded and compared, never trusted.";
  }
  return `Of ${e.claims.toString()} claims ${e.claimsWithin === 0 ? "none" : e.claimsWithin.toString()} came true within a quarter inch and the tape; on the mean a part lifted ${e.claimShare.toFixed(2)} of what its box says. Claims are recorded and compared, never trusted.`;
}

/** The band of a line at a thickness, k = 2: offset and ratio are known together, not apart. */
export function bandAt(
  line: Pick<Schemas["LineView"], "offsetMm" | "ratio" | "covariance">,
  t: number,
): { low: number; high: number } {
  const mean = line.offsetMm.mean + line.ratio.mean * t;
  const sd = Math.sqrt(
    Math.max(
      0,
      line.offsetMm.sd ** 2 +
        2 * line.covariance * t +
        line.ratio.sd ** 2 * t ** 2,
    ),
  );
  return { low: mean - 2 * sd, high: mean + 2 * sd };
}
