import type { Schemas } from "../../api/client";

/** What follows from a plan, in one word, the first thing first. */
export const consequences: Record<Schemas["Consequence"], string> = {
  must: "must",
  check: "check",
  may: "may",
};

/** Places as said in a bay. */
export const placeWords: Record<string, string> = {
  front: "front",
  rear: "rear",
  vehicle: "whole vehicle",
  LF: "left front",
  RF: "right front",
  LR: "left rear",
  RR: "right rear",
};
