import type { Schemas } from "../../api/client";

/** Verdicts by word and shape, never by colour alone. */
export const verdicts: Record<
  Schemas["Verdict"],
  { word: string; target: string; shape: string; color: string }
> = {
  onPlan: {
    word: "on plan",
    target: "reached",
    shape: "●",
    color: "success.main",
  },
  miss: {
    word: "miss",
    target: "not reached",
    shape: "■",
    color: "error.main",
  },
  measureAgain: {
    word: "settle and measure again",
    target: "too near to tell",
    shape: "▲",
    color: "warning.main",
  },
  cannotTell: {
    word: "cannot tell",
    target: "cannot tell",
    shape: "○",
    color: "text.secondary",
  },
};

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
};

/** Whether what was wanted is a difference: zero is level. */
export const isDifference = (what: string) => /^(rake|lean)/.test(what);
