import type { Schemas } from "../../api/client";

export const kindWords: Record<Schemas["PartKind"], string> = {
  strutTopSpacer: "strut top spacer",
  strutLowerSpacer: "strut lower spacer",
  preloadSpacer: "preload spacer",
  raisedCollar: "raised collar",
  coilOver: "whole coil-over",
  coilSpacer: "coil spacer",
  coil: "coil spring",
  leafPack: "leaf pack",
  block: "block",
  shackle: "shackle",
  bodyPuck: "body puck",
  dropBracket: "drop bracket",
  subframeBlock: "subframe block",
  diffDrop: "differential drop",
  bumpStopExtension: "bump-stop extension",
  shock: "shock",
  swayBarLink: "sway-bar link",
  halfShaftSpacer: "half-shaft spacer",
  tyre: "tyre",
  unknown: "unknown part",
};

/** Kinds in the order in which they are offered. */
export const kindsOffered = (
  Object.keys(kindWords) as Schemas["PartKind"][]
).filter((k) => k !== "unknown" && k !== "raisedCollar");
