import { describe, expect, it } from "vitest";
import type { Schemas, Unit } from "../api/client";
import { fieldLabel, fieldText, fieldUnit, liveAxles } from "./suspensions";

const q = (
  value: number,
  unit: Unit,
  typed: string | null = null,
  known: Schemas["Known"] = "measured",
): Schemas["Quantity"] => ({ value, unit, u: null, known, typed });

describe("suspensions", () => {
  it("types sizes in the person's unit, and what is stored in its own", () => {
    expect(fieldUnit("mm", "in")).toBe("in");
    expect(fieldUnit("mm", "mm")).toBe("mm");
    expect(fieldUnit("N/mm", "in")).toBe("lb/in");
    expect(fieldUnit("kg", "in")).toBe("lb");
    expect(fieldUnit("°", "in")).toBe("°");
    expect(fieldUnit("N/mm", "mm", q(540, "lb/in"))).toBe("lb/in");
    // A length carries its unit in its text: the field stays the person's.
    expect(fieldUnit("mm", "in", q(25, "mm"))).toBe("in");
  });

  it("shows a stored length with its unit, and a rate as it was typed", () => {
    expect(fieldText(q(25, "mm", "25"))).toBe("25 mm");
    expect(fieldText(q(1.5, "in", '1 1/2"'))).toBe('1 1/2"');
    expect(fieldText(q(540, "lb/in", "540"))).toBe("540");
    // What is only estimated starts empty.
    expect(fieldText(q(0.15, "1", null, "estimated"))).toBe("");
  });

  it("names the unit in a label where the text does not carry it", () => {
    expect(fieldLabel("Rate", "lb/in")).toBe("Rate, lb/in");
    expect(fieldLabel("Length", "mm")).toBe("Length");
    expect(fieldLabel("Share", "1")).toBe("Share");
  });

  it("knows live axles from the catalogue, and none before it is here", () => {
    const kinds = [
      { kind: "coilFourLink", liveAxle: true },
      { kind: "strut", liveAxle: false },
    ] as Schemas["KindView"][];
    expect(liveAxles(kinds, "coilFourLink", "strut")).toEqual({
      front: true,
      rear: false,
    });
    expect(liveAxles([], "coilFourLink", "strut")).toEqual({
      front: false,
      rear: false,
    });
  });
});
