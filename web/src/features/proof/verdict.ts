import type { Schemas } from "../../api/client";
import { verdictWords } from "../../api/words";

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
    ...verdictWords.reached,
    shape: "●",
    color: "success.main",
  },
  notReached: {
    ...verdictWords.notReached,
    shape: "■",
    color: "error.main",
  },
  measureAgain: {
    ...verdictWords.measureAgain,
    shape: "▲",
    color: "warning.main",
  },
  cannotTell: {
    ...verdictWords.cannotTell,
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

/** Whether what was wanted is a difference: zero is level. */
export const isDifference = (what: string) => /^(rake|lean)/.test(what);
