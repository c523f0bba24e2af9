import { expect, test } from "vitest";
import type { Schemas } from "../../api/client";
import { allThere, inputsOf, kitSays, linesOf, pieceSays, textOf } from "./kit";

const piece = (
  name: string,
  rest: Partial<Schemas["KitPiece"]> = {},
): Schemas["KitPiece"] => ({
  name,
  count: 2,
  found: null,
  end: "open",
  why: null,
  stacks: [],
  ...rest,
});

const kit = (pieces: Schemas["KitPiece"][]): Schemas["Kit"] => ({
  id: "k",
  planId: "p",
  partId: null,
  number: null,
  name: "Alder kit",
  claim: null,
  frontClaim: null,
  rearClaim: null,
  price: null,
  currency: null,
  hours: null,
  fit: null,
  sheet: null,
  pieces,
});

test("what is typed goes to the server piece by piece, in the order of the box", () => {
  const box = kit([
    piece("plate", { found: 2, end: "used" }),
    piece("block", { end: "leftOut", why: "rake" }),
    piece("nut"),
    piece("sleeve"),
    piece("cam"),
  ]);
  const text = textOf(box);
  const said = inputsOf(box, {
    ...text,
    sleeve: { found: "two", leftOut: false, why: " ", used: false },
    cam: { found: " 7 ", leftOut: false, why: "", used: false },
  });
  expect(said).toEqual([
    { name: "plate", found: 2, leftOut: false, why: null, used: true },
    { name: "block", found: null, leftOut: true, why: "rake", used: false },
    { name: "nut", found: null, leftOut: false, why: null, used: false },
    // What is no number is refused where it stands, never taken for nothing.
    { name: "sleeve", found: -1, leftOut: false, why: null, used: false },
    { name: "cam", found: 7, leftOut: false, why: null, used: false },
  ]);
});

test("everything in the box leaves what is left out where it is", () => {
  const box = kit([
    piece("plate", { found: 1, end: "missing" }),
    piece("block", { end: "leftOut", why: "rake" }),
  ]);
  const all = allThere(box, textOf(box));
  expect(inputsOf(box, all)).toEqual([
    { name: "plate", found: 2, leftOut: false, why: null, used: false },
    { name: "block", found: 2, leftOut: true, why: "rake", used: false },
  ]);
  expect(linesOf(box, all)).toEqual({ plate: "2", block: "left out: rake" });
});

test("how a piece stands is said in a word", () => {
  expect(pieceSays(piece("a"))).toBeNull();
  expect(pieceSays(piece("a", { found: 2 }))).toBe("✓ here");
  expect(pieceSays(piece("a", { found: 3 }))).toBe("✓ here");
  expect(pieceSays(piece("a", { found: 0, end: "missing" }))).toBe(
    "■ 2 missing",
  );
  expect(pieceSays(piece("a", { found: 2, end: "used" }))).toBe("✓ used");
  expect(pieceSays(piece("a", { end: "leftOut", why: "rake" }))).toBe(
    "left out: rake",
  );
});

test("the box says what holds it up, before it goes up and after", () => {
  const here = piece("plate", { found: 2 });
  expect(kitSays(kit([here, piece("nut")]), false)).toBe(
    "▲ Count what is in the box before it goes up.",
  );
  expect(
    kitSays(kit([here, piece("nut", { found: 0, end: "missing" })]), false),
  ).toBe("■ Missing: 2 nut.");
  expect(kitSays(kit([here]), false)).toBe("✓ Counted, nothing is missing.");
  expect(kitSays(kit([here]), true)).toBe(
    "▲ Neither used nor left out: 2 plate.",
  );
  expect(
    kitSays(
      kit([
        { ...here, end: "used" },
        piece("nut", { end: "leftOut", why: "old ones" }),
      ]),
      true,
    ),
  ).toBe("✓ Every piece is used or left out.");
});
