import { describe, expect, it } from "vitest";
import {
  blankLeaf,
  blankPart,
  editPart,
  leafProblem,
  partCommand,
} from "./part";

describe("part", () => {
  it("keeps the unit in which a size was typed", () => {
    const part = {
      ...blankPart(),
      kind: "coil" as const,
      sizes: { rate: "200", freeLength: "17" },
      stored: {
        rate: {
          value: 200,
          unit: "lb/in" as const,
          u: null,
          known: "box" as const,
          typed: "200",
        },
      },
    };
    const kind = {
      rule: {
        kind: "coil" as const,
        said: "coil spring",
        amount: null,
        family: "spring" as const,
        order: 45,
        sizes: [],
        orientation: null,
        opensSpring: true,
        perAxle: false,
        steeredOnly: false,
      },
      sizes: [
        {
          name: "rate",
          unit: "N/mm" as const,
          low: 1,
          high: 2000,
          label: "Rate",
        },
        {
          name: "freeLength",
          unit: "mm" as const,
          low: 40,
          high: 1500,
          label: "Free length",
        },
      ],
      fits: [],
      templates: [],
    };
    const body = partCommand(part, kind, "mm", []);
    expect(body.sizes?.map((s) => s.value?.unit)).toEqual(["lb/in", "mm"]);
    // A kind without one size that lifts sends none, whatever was typed before.
    expect(
      partCommand({ ...part, thickness: "1" }, kind, "in", []).thickness,
    ).toBeNull();
  });

  it("reads leaves with comma or point and names the one that is no number", () => {
    const leaf = {
      ...blankLeaf,
      front: "600",
      rear: "640,5",
      width: "60",
      thickness: "8",
      arch: "120",
    };
    expect(leafProblem([leaf])).toBeNull();
    expect(leafProblem([leaf, { ...leaf, width: "wide" }])).toContain("Leaf 2");
    expect(leafProblem([{ ...leaf, arch: "" }])).toContain("Leaf 1");
    const body = partCommand(
      { ...blankPart(), kind: "leafPack", leaves: [leaf] },
      undefined,
      "mm",
      [],
    );
    expect(body.leaves?.[0]?.rearMm).toBe(640.5);
  });

  it("starts an edit from what is stored", () => {
    const now = editPart({
      fits: null,
      version: 7,
      part: {
        ...({} as object),
        id: "x",
        number: "T-1",
        name: "plate",
        kind: "strutTopSpacer",
        thickness: {
          value: 1,
          unit: "in",
          u: null,
          known: "box",
          typed: null,
        },
        claim: null,
        extension: null,
        dimensions: {},
        leaves: [],
        count: 3,
        price: 12.5,
        currency: "EUR",
        hours: null,
        limits: null,
        madeFor: null,
        fit: null,
        contents: null,
        supplier: null,
        dueOn: null,
        notes: null,
        binnedAt: null,
      },
    });
    expect([now.thickness, now.thicknessKnown, now.price, now.version]).toEqual(
      ["1 in", "box", "12.5", 7],
    );
  });
});
