import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { beginRule, mayFit, valuesOf } from "./fit";
import { noFit } from "./part";

describe("for which vehicles a part is", () => {
  it("begins every condition as one of its kind", () => {
    for (const [kind, begin] of Object.entries(beginRule)) {
      expect(begin().kind).toBe(kind);
    }
  });

  it("may fit where nobody noted that it does not", () => {
    const with_ = (fit: Partial<Schemas["PartFit"]> | null) =>
      ({ fit: fit && { ...noFit, ...fit } }) as Schemas["Part"];
    const drover = { name: "Drover", from: 2010, to: null };
    expect(mayFit(with_(null), "Drover")).toBe(true);
    expect(mayFit(with_({}), "Drover")).toBe(true);
    expect(mayFit(with_({ platforms: [drover] }), "Drover")).toBe(true);
    expect(mayFit(with_({ platforms: [drover] }), "drover")).toBe(true);
    expect(mayFit(with_({ platforms: [drover] }), "Marsh")).toBe(false);
    expect(mayFit(with_({ notPlatforms: ["Marsh"] }), "Marsh")).toBe(false);
  });

  it("takes values between commas", () => {
    expect(valuesOf(" V6, , V8 ")).toEqual(["V6", "V8"]);
    expect(valuesOf(" ")).toEqual([]);
  });
});
