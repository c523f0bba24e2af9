import { describe, expect, it } from "vitest";
import { torqueField, torqueIn, torqueSaid, torqueText } from "./torque";

describe("a torque", () => {
  // 1 lb·ft = 0.45359237 kg × 9.80665 m/s² × 0.3048 m.
  const newtonMetres = 0.45359237 * 9.80665 * 0.3048;

  it("is the same torque in either unit", () => {
    expect(torqueIn({ value: 100, unit: "lb·ft" }, "N·m")).toBeCloseTo(
      100 * newtonMetres,
      6,
    );
    expect(
      torqueIn({ value: 100 * newtonMetres, unit: "N·m" }, "lb·ft"),
    ).toBeCloseTo(100, 6);
  });

  it("comes back unchanged from the other unit", () => {
    for (const value of [1, 41, 62.5, 101, 480]) {
      const there = torqueIn({ value, unit: "lb·ft" }, "N·m");
      expect(torqueIn({ value: there, unit: "N·m" }, "lb·ft")).toBeCloseTo(
        value,
        9,
      );
      expect(torqueIn({ value, unit: "lb·ft" }, "lb·ft")).toBe(value);
    }
  });

  it("keeps the tenth that was typed, and one where the torque is small", () => {
    // 5.5 × 1.3558 = 7.457; 62.5 × 1.3558 = 84.74.
    expect(torqueText({ value: 5.5, unit: "lb·ft" })).toBe(
      "5.5 lb·ft · 7.5 N·m",
    );
    expect(torqueText({ value: 62.5, unit: "lb·ft" })).toBe(
      "62.5 lb·ft · 85 N·m",
    );
  });

  it("is shown in both, side by side", () => {
    expect(torqueText({ value: 101, unit: "lb·ft" })).toBe(
      "101 lb·ft · 137 N·m",
    );
    expect(torqueText({ value: 137, unit: "N·m" })).toBe("101 lb·ft · 137 N·m");
  });

  it("stands in its field as typed, or turned into the field's unit", () => {
    const q = { value: 62.5, unit: "lb·ft" as const, typed: "62,5" };
    expect(torqueField(q, "lb·ft")).toBe("62,5");
    // 62.5 × 1.3558 = 84.74.
    expect(torqueField(q, "N·m")).toBe("84.7");
  });

  it("is said as a stored one when it is a number", () => {
    expect(torqueSaid("101", "lb·ft")).toBe("101 lb·ft · 137 N·m");
    expect(torqueSaid("", "lb·ft")).toBe("");
    expect(torqueSaid("tight", "lb·ft")).toBe("tight");
  });
});
