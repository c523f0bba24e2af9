import { expect, test } from "vitest";
import type { Schemas } from "../../api/client";
import type { Doc } from "../../api/document";
import { rateOf, whyNot } from "./quotes";

test("an hour's price is a number, or left out", () => {
  expect(rateOf(" ")).toBeNull();
  expect(rateOf("85")).toBe(85);
  expect(rateOf("85,50")).toBe(85.5);
  expect(rateOf("about 85")).toBe(-1);
});

test("what is past or not planned any more is not offered to be chosen", () => {
  const offer = { planId: "p", name: "Level" } as Schemas["Offer"];
  const quote = { holdsUntil: "2026-03-02" } as Schemas["Quote"];
  const d = {
    stages: [{ id: "s", ordinal: 0 }],
    plans: [{ id: "p", name: "Level", toStageId: null, fromStageId: "s" }],
  } as unknown as Doc;
  expect(whyNot(offer, quote, d, "2026-03-02")).toBeNull();
  expect(whyNot(offer, quote, d, "2026-03-03")).toContain("past");
  expect(whyNot(offer, { ...quote, holdsUntil: null }, d, "2030-01-01")).toBe(
    null,
  );
  expect(whyNot({ ...offer, planId: "q" }, quote, d, "2026-03-02")).toContain(
    "not planned",
  );
});
