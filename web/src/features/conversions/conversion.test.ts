import { expect, test } from "vitest";
import type { Schemas } from "../../api/client";
import {
  askedOf,
  commandOf,
  conversionSays,
  linesOf,
  textOf,
} from "./conversion";

const size = (
  name: string,
  rest: Partial<Schemas["SuspensionSize"]> = {},
): Schemas["SuspensionSize"] => ({
  name,
  unit: "mm",
  low: 0,
  high: 1000,
  label: `${name}, now`,
  how: "Of the one that is in.",
  steered: false,
  ...rest,
});

const links = {
  kind: "coilFourLink",
  said: "links and coils",
  liveAxle: true,
  sizes: [
    size("sag"),
    size("hoseSlack"),
    size("springRate", { unit: "N/mm" }),
    size("casterLeast", { unit: "°", steered: true }),
    size("springLength"),
  ],
  archetype: null,
} as unknown as Schemas["KindView"];

const leaf = {
  kind: "leafOverslung",
  said: "leaf springs",
} as unknown as Schemas["KindView"];

test("what decides the height is asked first, in words that are true of what was never on the vehicle", () => {
  expect(askedOf(links, "rear").map((s) => s.name)).toEqual([
    "springLength",
    "springRate",
    "hoseSlack",
  ]);
  expect(askedOf(links, "rear")[0]?.label).toBe(
    "Strut or coil at set-up, foot to top",
  );
  expect(askedOf(links, "front").map((s) => s.name)).toContain("casterLeast");
  expect(askedOf(undefined, "rear")).toEqual([]);
});

test("what is typed goes with its units, and what is empty goes as nothing", () => {
  const text = {
    ...textOf(undefined, "coilFourLink"),
    sheet: "Alder 12",
    setUpAt: "23 1/2",
    sizes: { springLength: "15", springRate: "210" },
  };
  const command = commandOf(
    text,
    "rear",
    { id: "p", version: null },
    links,
    "in",
  );
  expect(command).toMatchObject({
    kind: "convertAxle",
    planId: "p",
    version: null,
    axle: "rear",
    suspension: "coilFourLink",
    from: "hub",
    track: null,
    setUpAt: { typed: "23 1/2", unit: "in" },
    points: [],
    sizes: [
      { name: "springLength", value: { typed: "15", unit: "in" } },
      { name: "springRate", value: { typed: "210", unit: "lb/in" } },
      { name: "hoseSlack", value: null },
    ],
  });
});

test("a conversion comes back into its fields as it was typed, with the unit of its sizes kept", () => {
  const quantity = (
    typed: string,
    unit: Schemas["Quantity"]["unit"],
  ): Schemas["Quantity"] => ({
    value: 1,
    unit,
    u: null,
    known: "measured",
    typed,
  });
  const stored: Schemas["AxleConversion"] = {
    axle: "rear",
    from: "floor",
    setUpAt: quantity("600", "mm"),
    to: {
      kind: "coilFourLink",
      sheet: "Alder 12",
      track: quantity("67", "in"),
      dimensions: { springRate: quantity("48", "N/mm") },
      shacklePivot: null,
      heightControl: null,
      medium: null,
      barBodyEnd: null,
      points: [],
      spacePoints: null,
    },
  };
  const text = textOf(stored, "leafOverslung");
  expect(text).toMatchObject({
    suspension: "coilFourLink",
    sheet: "Alder 12",
    setUpAt: "600 mm",
    from: "floor",
    track: "67 in",
    sizes: { springRate: "48" },
  });
  // Corrected by somebody who types inches, the rate stays what it was.
  expect(
    commandOf(text, "rear", { id: "p", version: 3 }, links, "in", stored),
  ).toMatchObject({
    sizes: [
      { name: "springLength" },
      { name: "springRate", value: { typed: "48", unit: "N/mm" } },
      { name: "hoseSlack" },
    ],
  });
  expect(conversionSays(stored, "leafOverslung", [leaf, links])).toBe(
    "In the place of: leaf springs, by Alder 12. Its sizes hold with the lips at 600 mm from the floor. Track 67 in.",
  );
  expect(
    conversionSays(
      { ...stored, setUpAt: null, to: { ...stored.to, track: null } },
      "coilFourLink",
      [links],
    ),
  ).toBe(
    "Other arms in the place of those that are there, by Alder 12. At which height its sizes hold nobody said yet.",
  );
  expect(linesOf(text, "rear", [links])).toMatchObject({
    "Comes in": "links and coils",
    "Set up at": "600 mm from the floor",
    "Its spring's rate": "48",
  });
});
