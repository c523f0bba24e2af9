import type { JobView, Schemas } from "../../api/client";
import { partWords, vehicleWords } from "../../api/words";
import type { Lines } from "../../shared/BothWays";
import { retypedWithUnit } from "../../shared/quantity";
import {
  variantLabels,
  variantText,
  type VariantText,
} from "../../shared/variant";
import type { FittedText } from "./FittedNow";
import { bodyWords } from "./WhatCarries";

/** Fields of a line or some lines, with what stands over them. */
export const labels = {
  plate: "Plate",
  vin: "VIN",
  make: "Make",
  name: "Model",
  odometer: "Odometer",
  wish: "In the owner's words",
  carries: "Carries and tows",
  troubles: "Known troubles",
} as const;

export type Key = keyof typeof labels;

export const equipmentWords: Record<Schemas["Equipment"], string> = {
  twoPostLift: "two-post lift",
  jackAndStands: "jack and stands",
  pit: "pit",
};

/** What was taken in, as it is put right. */
export interface Correction extends Record<Key, string> {
  ownerName: string;
  ownerContact: string;
  /** Whether another name is the same owner's or another's; null until somebody says it. */
  whose: "same" | "another" | null;
  platformId: string;
  newPlatform: string;
  platform: string;
  sort: Schemas["VehicleKind"];
  bodyKind: Schemas["BodyKind"];
  promisedOn: string;
  equipment: Schemas["Equipment"];
  variant: VariantText;
  fitted: FittedText[];
}

/** The stage in which the vehicle came to this job. */
export const cameIn = ({ document: d }: Pick<JobView, "document">) =>
  d.stages.find((s) => s.id === d.job.stageId);

/** Whether work was begun on what was there when it came. */
export const wasBegun = (view: Pick<JobView, "document">) =>
  view.document.stages.some((s) => s.ordinal > (cameIn(view)?.ordinal ?? 0));

export function correctionOf(view: JobView): Correction {
  const { owner, vehicle, job, platform } = view.document;
  return {
    plate: vehicle.plate ?? "",
    vin: vehicle.vin ?? "",
    ownerName: owner.name,
    ownerContact: owner.contact ?? "",
    whose: null,
    make: vehicle.make,
    name: vehicle.name,
    platformId: platform.id,
    newPlatform: "",
    platform: platform.name,
    sort: vehicle.kind,
    bodyKind: vehicle.bodyKind,
    variant: variantText(vehicle),
    odometer: job.odometerIn?.value.toString() ?? "",
    wish: job.wish ?? "",
    carries: job.carries ?? "",
    troubles: job.troubles ?? "",
    promisedOn: job.promisedOn ?? "",
    equipment: job.equipment,
    fitted: (cameIn(view)?.stacks ?? []).flatMap((s) =>
      s.parts.map((p) => ({
        id: p.id,
        corner: s.corner,
        name: p.name,
        kind: p.kind,
        thickness: retypedWithUnit(p.thickness),
        claim: retypedWithUnit(p.claim),
      })),
    ),
  };
}

/** What a form says, for whoever changed it at the same time. */
export const correctionLines = (t: Correction): Lines => ({
  Owner: t.ownerName,
  "Phone or mail": t.ownerContact,
  ...Object.fromEntries(
    (Object.keys(labels) as Key[]).map((key) => [labels[key], t[key]]),
  ),
  Platform: t.newPlatform || t.platform,
  "What it is": `${vehicleWords[t.sort].said}, ${bodyWords[t.bodyKind]}`,
  ...Object.fromEntries(
    (Object.keys(variantLabels) as (keyof VariantText)[]).map((key) => [
      variantLabels[key],
      t.variant[key],
    ]),
  ),
  "Promised for": t.promisedOn,
  "Lifted with": equipmentWords[t.equipment],
  "Fitted when it came": t.fitted
    .map(
      (f) => `${f.corner}: ${f.name}, ${partWords[f.kind].said} ${f.thickness}`,
    )
    .join("; "),
});

/** Whether somebody must still say whose another name is. */
export const asksWhose = (t: Correction, was: string) =>
  t.ownerName.trim() !== was && t.ownerName.trim() !== "";
