import { describe, expect, it } from "vitest";
import type { Schemas } from "../../../api/client";
import { toAsk } from "./looks";

const round = (front: Schemas["Looks"] | null = null) =>
  ({ looksFront: front, looksRear: null }) as Schemas["WalkRound"];
const lean = (value: number | null, u: number | null) => ({ value, u });
const stance = (front: object, rear: object) =>
  ({ leanFront: front, leanRear: rear }) as Schemas["WalkRoundStance"];

describe("which side looks lower", () => {
  it("is asked where the tape shows a lean, on either side, and where it was answered", () => {
    expect(toAsk(round(), stance(lean(-8, 2), lean(3, 2)))).toEqual(["front"]);
    expect(toAsk(round(), stance(lean(4, 2), lean(4.1, 2)))).toEqual(["rear"]);
    expect(toAsk(round("level"), stance(lean(0, 2), lean(null, null)))).toEqual(
      ["front"],
    );
    expect(toAsk(round(), undefined)).toEqual([]);
  });
});
