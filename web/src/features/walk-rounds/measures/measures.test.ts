import { describe, expect, it } from "vitest";
import { instrumentFor, placeWords, valueText } from "./measures";

const value = (value: number, unit: string, u: number | null = null) => ({
  value,
  u,
  unit,
  cannot: null,
});

describe("other measures", () => {
  it("say places as in a bay", () => {
    expect(placeWords("LF")).toBe("left front");
    expect(placeWords("rear")).toBe("rear axle");
    expect(placeWords("left lamp")).toBe("left lamp");
  });

  it("show lengths in the person's unit and angles to a tenth, ± rounded up", () => {
    expect(valueText(value(25.4, "mm"), "in")).toBe("1 in");
    expect(valueText(value(-0.53, "°", 0.061), "mm")).toBe("−0.5 ± 0.2°");
    expect(
      valueText(
        { value: null, u: null, unit: "°", cannot: "No square." },
        "in",
      ),
    ).toBe("No square.");
  });

  it("find the stand-in that takes them", () => {
    const rack = { key: "rack", name: "Rack", measures: ["caster"] };
    expect(instrumentFor("caster", [rack])).toBe(rack);
    expect(instrumentFor("hoseSlack", [rack])).toBeUndefined();
  });
});
