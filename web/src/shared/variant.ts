import type { Schemas } from "../api/client";
import { aspectWords } from "../api/words";

export type Aspect = Schemas["VariantAspect"];

export const aspects = Object.keys(aspectWords) as Aspect[];

/** What tells a vehicle from others of its platform, as typed. */
export type VariantText = Record<Aspect | "built", string>;

export const noVariant: VariantText = {
  built: "",
  engine: "",
  drive: "",
  body: "",
  bed: "",
  trim: "",
  suspensionOption: "",
};

export const variantText = (v: Schemas["Vehicle"]): VariantText => ({
  built: v.built?.toString() ?? "",
  engine: v.engine ?? "",
  drive: v.drive ?? "",
  body: v.body ?? "",
  bed: v.bed ?? "",
  trim: v.trim ?? "",
  suspensionOption: v.suspensionOption ?? "",
});

export const variantLabels: Record<keyof VariantText, string> = {
  built: "Built in",
  engine: "Engine",
  drive: "Drive",
  body: "Body or cab",
  bed: "Bed",
  trim: "Trim",
  suspensionOption: "Suspension option",
};

/** The variant as it goes to the server, beside engine and drive. */
export const variantBody = (t: VariantText): Schemas["VariantInput"] => ({
  // What is no number the server refuses in words.
  built: t.built.trim() === "" ? null : Math.trunc(Number(t.built)) || 0,
  body: t.body || null,
  bed: t.bed || null,
  trim: t.trim || null,
  suspensionOption: t.suspensionOption || null,
});
