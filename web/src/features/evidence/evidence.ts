import type { Schemas } from "../../api/client";

export const familyWords: Record<Schemas["LiftFamily"], string> = {
  none: "several kinds at once",
  spring: "plates, rings and coil-overs",
  wheel: "what acts at the wheel itself",
  block: "blocks",
  shackle: "shackles",
  puck: "body pucks",
  tyre: "tyres",
};

export const trialKey = (t: Schemas["JobTrial"]) => `${t.planId} ${t.axle}`;

/** Whether a job lies so far from what was expected that somebody should look at it. */
export const isOutlier = (s: Schemas["LineStep"]) => Math.abs(s.off) > 2.5;

/** Trials that can be drawn: a claim of a lift, and a rise that was measured. What one stack did after another has its line in the table only. */
export const drawn = (trials: Schemas["JobTrial"][]) =>
  trials.flatMap((t) =>
    t.claim.value !== null && t.claim.value > 0 && t.measured.value !== null
      ? [
          {
            trial: t,
            claim: t.claim.value,
            measured: t.measured.value,
            u: t.measured.u ?? 0,
          },
        ]
      : [],
  );

/** How claims do in general, in one sentence. */
export function shareSays(trials: Schemas["JobTrial"][]): string {
  const points = drawn(trials);
  if (points.length === 0) {
    return "No part here had a claim to compare. Claims are recorded and compared, never trusted.";
  }
  const within = points.filter(
    (p) => Math.abs(p.measured - p.claim) <= 6.35 + 2 * p.u,
  ).length;
  const mean =
    points.reduce((sum, p) => sum + p.measured / p.claim, 0) / points.length;
  return `Of ${points.length.toString()} claims ${within === 0 ? "none" : within.toString()} came true within a quarter inch and the tape; on the mean a part lifted ${mean.toFixed(2)} of what its box says. Claims are recorded and compared, never trusted.`;
}

/** The band of a line at a thickness, k = 2: offset and ratio are known together, not apart. */
export function bandAt(
  line: Pick<Schemas["EvidenceLine"], "offsetMm" | "ratio" | "covariance">,
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
