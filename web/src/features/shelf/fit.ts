import type { Schemas } from "../../api/client";
import { aspectWords, mateWords, partWords } from "../../api/words";

export type Rule = Schemas["FitRule"];
export type RuleKind = Rule["kind"];

/** Conditions under which a part fits, as they are chosen. */
export const ruleWords: Record<RuleKind, string> = {
  onlyWith: "only with",
  notWith: "not with",
  onlyAt: "only at the",
  mustMeet: "must meet",
  notLevelled: "not with a load-levelling",
  needsPart: "only together with",
  notBeside: "not together with",
  atMost: "at one corner never more than",
};

/** A condition of a kind as it begins, before anything of it is chosen. */
export const beginRule: Record<RuleKind, () => Rule> = {
  onlyWith: () => ({ kind: "onlyWith", aspect: "engine", values: [] }),
  notWith: () => ({ kind: "notWith", aspect: "suspensionOption", values: [] }),
  onlyAt: () => ({ kind: "onlyAt", axle: "front" }),
  mustMeet: () => ({
    kind: "mustMeet",
    mate: { kind: "strutStuds", size: null, written: "" },
  }),
  notLevelled: () => ({ kind: "notLevelled", axle: "rear" }),
  needsPart: () => ({ kind: "needsPart", part: "diffDrop" }),
  notBeside: () => ({ kind: "notBeside", part: "raisedCollar" }),
  atMost: () => ({ kind: "atMost", count: 1 }),
};

/** Values that are written with commas between them. */
export const valuesOf = (text: string) =>
  text
    .split(",")
    .map((v) => v.trim())
    .filter(Boolean);

const years = (p: Schemas["FitPlatform"]) =>
  p.from !== null && p.to !== null
    ? ` ${p.from.toString()} to ${p.to.toString()}`
    : p.from !== null
      ? ` from ${p.from.toString()}`
      : p.to !== null
        ? ` to ${p.to.toString()}`
        : "";

function ruleSays(r: Rule, length: (q: Schemas["Quantity"]) => string): string {
  switch (r.kind) {
    case "onlyWith":
    case "notWith":
      return `${ruleWords[r.kind]} ${aspectWords[r.aspect]} ${r.values.join(" or ")}`;
    case "onlyAt":
    case "notLevelled":
      return `${ruleWords[r.kind]} ${r.axle}`;
    case "mustMeet":
      return `${mateWords[r.mate.kind].said} ${r.mate.size ? length(r.mate.size) : (r.mate.written ?? "")}`;
    case "needsPart":
    case "notBeside":
      return `${ruleWords[r.kind]} a ${partWords[r.part].said}`;
    case "atMost":
      return `${ruleWords.atMost} ${r.count.toString()}`;
  }
}

/** For which vehicles a part is, in one line; empty where nobody noted it. */
export function fitSays(
  fit: Schemas["PartFit"],
  length: (q: Schemas["Quantity"]) => string,
): string {
  return [
    fit.anyPlatform ? "any platform" : null,
    fit.platforms.length > 0
      ? `for ${fit.platforms.map((p) => p.name + years(p)).join(", ")}`
      : null,
    fit.notPlatforms.length > 0
      ? `not for ${fit.notPlatforms.join(", ")}`
      : null,
    ...fit.rules.map((r) => ruleSays(r, length)),
  ]
    .filter(Boolean)
    .join(" · ");
}

/** Whether a part may fit a platform by what was noted of platforms; its conditions are asked at a vehicle. */
export function mayFit(part: Schemas["Part"], platform: string): boolean {
  const { fit } = part;
  return (
    !fit ||
    (!fit.notPlatforms.includes(platform) &&
      (fit.platforms.length === 0 ||
        fit.platforms.some((p) => p.name === platform)))
  );
}
