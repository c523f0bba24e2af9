import type { Schemas } from "../../api/client";
import { stationWords } from "../../api/words";

/** What follows from a plan, each in its one word, the first thing first. */
export const consequences: Schemas["Consequence"][] = ["must", "check", "may"];

/** Places as said in a bay. */
export const placeWords: Record<string, string> = {
  ...stationWords,
  vehicle: "whole vehicle",
};

/** On what it rests how far an axle will come down. */
export const settlesSay = (s: Schemas["AxleSettling"]): string =>
  `${s.axle === "front" ? "Front" : "Rear"}, ${s.spring}: ${
    s.vehicles === 0
      ? "a rule of thumb, no vehicle has shown it yet."
      : `as ${s.vehicles === 1 ? "1 vehicle" : `${s.vehicles.toString()} vehicles`} showed.`
  }`;
