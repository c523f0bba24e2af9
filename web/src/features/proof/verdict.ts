import type { Schemas } from "../../api/client";

type Verdict = Schemas["Verdict"];

/** Verdicts by word and shape, never by colour alone: on the wish as a whole, on one wished thing, on the plan. */
export const verdicts: Record<
  Verdict,
  {
    asWanted: string;
    wish: string;
    asForetold: string;
    shape: string;
    color: string;
  }
> = {
  reached: {
    asWanted: "Sits as wanted",
    wish: "as wanted",
    asForetold: "Landed where foretold",
    shape: "●",
    color: "success.main",
  },
  notReached: {
    asWanted: "Not as wanted",
    wish: "not as wanted",
    asForetold: "Not where foretold",
    shape: "■",
    color: "error.main",
  },
  measureAgain: {
    asWanted: "Measure again: no verdict yet",
    wish: "too near or too unsure to tell",
    asForetold: "Where it landed: measure again",
    shape: "▲",
    color: "warning.main",
  },
  cannotTell: {
    asWanted: "No verdict yet",
    wish: "cannot tell",
    asForetold: "Where it landed cannot be told",
    shape: "○",
    color: "text.secondary",
  },
};

/** The verdicts of a proof, the one that decides first. */
export function heads(
  proof: Pick<Schemas["PlanProof"], "asWanted" | "asForetold">,
): { word: string; shape: string; color: string }[] {
  const of = (v: Verdict, word: "asWanted" | "asForetold") => ({
    word: verdicts[v][word],
    shape: verdicts[v].shape,
    color: verdicts[v].color,
  });
  const { asWanted, asForetold } = proof;
  // The same reason for both is said once.
  const once =
    asWanted === asForetold &&
    (asWanted === "measureAgain" || asWanted === "cannotTell");
  return [
    ...(asWanted ? [of(asWanted, "asWanted")] : []),
    ...(once ? [] : [of(asForetold, "asForetold")]),
  ];
}

/** How near a station is to the plan. */
export function nearSays(s: Schemas["StationProof"]): string {
  return s.near === null
    ? "○ not read"
    : `${s.near ? "● near" : "■ far"}${s.predictionRight === false ? ", outside its ±" : ""}`;
}

/** What was wanted, by its name in a proof. */
export const targetWords: Record<string, string> = {
  rake: "Rake",
  rakeLoaded: "Rake with the load on",
  frontLift: "Front lift, at least",
  rearLift: "Rear lift, at least",
  frontMost: "Front lift, at most",
  rearMost: "Rear lift, at most",
  leanFront: "Lean in front",
  leanRear: "Lean behind",
  diagonals: "Right front and left rear",
};

/** Whether what was wanted is a difference: zero is level. */
export const isDifference = (what: string) => /^(rake|lean)/.test(what);
