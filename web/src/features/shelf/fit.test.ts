import { describe, expect, it } from "vitest";
import type { Schemas } from "../../api/client";
import { beginRule, fitSays, mayFit, valuesOf } from "./fit";
import { noFit } from "./part";

const mm = (q: Schemas["Quantity"]) => `${q.value.toString()} mm`;

describe("for which vehicles a part is", () => {
  it("says nothing where nobody noted it", () => {
    expect(fitSays(noFit, mm)).toBe("");
    expect(fitSays({ ...noFit, anyPlatform: true }, mm)).toBe("any platform");
  });

  it("names platforms with their years", () => {
    expect(
      fitSays(
        {
          ...noFit,
          platforms: [
            { name: "Drover", from: 2010, to: 2014 },
            { name: "Marsh", from: null, to: null },
            { name: "Heron", from: 2018, to: null },
            { name: "Vale", from: null, to: 1999 },
          ],
          notPlatforms: ["Moor"],
        },
        mm,
      ),
    ).toBe(
      "for Drover 2010 to 2014, Marsh, Heron from 2018, Vale to 1999 · not for Moor",
    );
  });

  it("says each condition", () => {
    expect(
      fitSays(
        {
          ...noFit,
          rules: [
            { kind: "onlyWith", aspect: "engine", values: ["V6", "V8"] },
            { kind: "notLevelled", axle: "rear" },
            {
              kind: "mustMeet",
              mate: {
                kind: "barDiameter",
                size: {
                  value: 22,
                  unit: "mm",
                  u: null,
                  known: "box",
                  typed: null,
                },
                written: null,
              },
            },
            { kind: "needsPart", part: "diffDrop" },
            { kind: "atMost", count: 2 },
          ],
        },
        mm,
      ),
    ).toBe(
      "only with engine V6 or V8 · not with a load-levelling rear · sway-bar diameter 22 mm · only together with a differential drop · at one corner never more than 2",
    );
  });

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
    expect(mayFit(with_({ platforms: [drover] }), "Marsh")).toBe(false);
    expect(mayFit(with_({ notPlatforms: ["Marsh"] }), "Marsh")).toBe(false);
  });

  it("takes values between commas", () => {
    expect(valuesOf(" V6, , V8 ")).toEqual(["V6", "V8"]);
    expect(valuesOf(" ")).toEqual([]);
  });
});
