import { describe, expect, it } from "vitest";
import {
  isLength,
  quantityText,
  retyped,
  retypedWithUnit,
  typed,
  weightText,
} from "./quantity";

describe("quantities in fields", () => {
  it("sends nothing for an empty field and the text as typed otherwise", () => {
    expect(typed("  ", "in")).toBeNull();
    expect(typed("1 1/2", "in", "box")).toEqual({
      typed: "1 1/2",
      unit: "in",
      known: "box",
      answers: [],
    });
  });

  it("shows what was typed and leaves estimates empty", () => {
    const q = { value: 1.5, unit: "in" as const, u: null, typed: "1 1/2" };
    expect(retyped({ ...q, known: "measured" })).toBe("1 1/2");
    expect(retyped({ ...q, known: "measured", typed: null })).toBe("1.5");
    expect(retyped({ ...q, known: "estimated" })).toBe("");
    expect(retyped(null)).toBe("");
  });
});

describe("a stored quantity", () => {
  const q = (more: object) =>
    ({
      value: 20.5,
      unit: "in",
      known: "measured",
      typed: null,
      ...more,
    }) as Parameters<typeof quantityText>[0];

  it("is said as it was typed, with its unit once", () => {
    expect(quantityText(q({ typed: "20 1/2" }))).toBe("20 1/2 in");
    expect(quantityText(q({ typed: "520 mm" }))).toBe("520 mm");
    expect(quantityText(q({ typed: `20 1/2"` }))).toBe(`20 1/2"`);
    expect(quantityText(q({ typed: `2' 11` }))).toBe(`2' 11`);
    expect(quantityText(q({}))).toBe("20.5 in");
    expect(quantityText(q({ value: 3.5, unit: "°" }))).toBe("3.5°");
  });

  it("that was only estimated starts a field empty", () => {
    expect(retypedWithUnit(q({ known: "estimated" }))).toBe("");
    expect(retypedWithUnit(null)).toBe("");
    expect(retypedWithUnit(q({ typed: "20 1/2" }))).toBe("20 1/2 in");
  });

  it("is a length in millimetres or inches only", () => {
    expect(isLength(q({}))).toBe(true);
    expect(isLength(q({ unit: "kg" }))).toBe(false);
  });
});

it("keeps a weight what it is when the person reads in another unit", () => {
  const stored = {
    value: 1240,
    unit: "kg" as const,
    u: null,
    known: "document" as const,
    typed: null,
  };
  const shown = retypedWithUnit(stored);
  expect(shown).toBe("1240 kg");
  // Its own unit goes with it: the server reads it before the field's.
  expect(typed(shown, "lb")).toMatchObject({ typed: "1240 kg", unit: "lb" });
});

it("says a weight in the unit of the shop", () => {
  expect(weightText(1204.5, "mm")).toBe("1,205 kg");
  expect(weightText(-13, "in")).toBe("−29 lb");
});
