import type { Rules } from "./useFinding";

/** Nothing is ruled out, nothing bought. */
export const noRules: Rules = {
  mayBuy: false,
  noSpacers: false,
  preloadOnly: false,
  noCutting: false,
  keepDroop: false,
  holdEveryLimit: false,
  sidesDiffer: false,
  holdGeometry: false,
  order: "leastCost",
  hourRate: null,
  mostAside: null,
};
