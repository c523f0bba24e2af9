import { describe, expect, it } from "vitest";
import { curesSay } from "./cures";

const money = (amount: number) => `${amount.toFixed(0)} EUR`;
const cure = (
  kind: "trackBar" | "caster",
  parts: string[],
  hours = 0,
  cost = 0,
) => ({ kind, where: "front", parts, hours, money: cost });

describe("what takes the geometry back", () => {
  it("is named with hours and money on top", () => {
    expect(
      curesSay(
        [
          cure("trackBar", ["Long bar"], 1.5, 180),
          cure("caster", ["2 × Bush"], 2, 60),
        ],
        money,
      ),
    ).toBe("Brought back by Long bar, 2 × Bush: 3.5 h, 240 EUR more.");
  });

  it("says what nothing brings back, and no sum without pieces", () => {
    expect(curesSay([cure("caster", [])], money)).toBe(
      "Nothing at hand brings back: front caster.",
    );
    expect(
      curesSay([cure("trackBar", ["Bar"], 1), cure("caster", [])], money),
    ).toBe(
      "Brought back by Bar: 1.0 h more. Nothing at hand brings back: front caster.",
    );
  });
});
