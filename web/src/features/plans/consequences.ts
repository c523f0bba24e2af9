import type { Schemas } from "../../api/client";
import { stationWords } from "../../api/words";

/** What follows from a plan, each in its one word, the first thing first. */
export const consequences: Schemas["Consequence"][] = ["must", "check", "may"];

/** Places as said in a bay. */
export const placeWords: Record<string, string> = {
  ...stationWords,
  vehicle: "whole vehicle",
};
