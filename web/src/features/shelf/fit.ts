import type { Schemas } from "../../api/client";
import { plain } from "../../shared/parts";

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

/** Whether a part may fit a platform by what was noted of platforms; its conditions are asked at a vehicle. */
export function mayFit(part: Schemas["Part"], platform: string): boolean {
  const { fit } = part;
  const is = (name: string) => plain(name) === plain(platform);
  return (
    !fit ||
    (!fit.notPlatforms.some(is) &&
      (fit.platforms.length === 0 || fit.platforms.some((p) => is(p.name))))
  );
}
