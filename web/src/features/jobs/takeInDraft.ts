import type { Schemas } from "../../api/client";
import type { NewShopCommand } from "../../api/command";
import type { LengthUnit } from "../../shared/length";
import { typed } from "../../shared/quantity";
import { noVariant, variantBody } from "../../shared/variant";
import { comebackBody } from "../hand-over/comebackText";
import { fittedBody, type FittedText } from "./FittedNow";
import { noSizes, sizesBody } from "./sizes";
import { levelByHub, targetBody } from "./TargetFields";
import { usuallyBuilt, type Built } from "./WhatCarries";

/** A take-in of which nothing was said. */
export const blank = {
  ownerName: "",
  ownerContact: "",
  platformId: "",
  newPlatform: "",
  make: "",
  name: "",
  plate: "",
  vin: "",
  variant: noVariant,
  odometer: "",
  wish: "",
  carries: "",
  troubles: "",
  promisedOn: "",
  /** What carries it; null until somebody says what it is. */
  built: null as Built | null,
  /** Empty until somebody says with what it is lifted. */
  equipment: "" as Schemas["Equipment"] | "",
  sizes: noSizes,
  target: levelByHub,
  fitted: [] as FittedText[],
  /** A vehicle that was here before, whose chain goes on; null is a new one. */
  known: null as Schemas["VehicleHere"] | null,
  /** What it comes back for, should it; of a known vehicle only. */
  comeback: { for: "" as Schemas["ComebackFor"] | "", words: "" },
};

type Draft = typeof blank;

/** What is sent, in the reader's unit. */
export function takeInBody(
  draft: Draft & {
    ids: Record<"job" | "vehicle" | "stage" | "owner", string>;
  },
  platformId: string | null,
  unit: LengthUnit,
): Extract<NewShopCommand, { kind: "takeIn" }> {
  const built = draft.built ?? usuallyBuilt(draft.known?.sort ?? "pickup");
  return {
    kind: "takeIn",
    jobId: draft.ids.job,
    vehicleId: draft.known?.id ?? draft.ids.vehicle,
    stageId: draft.ids.stage,
    ownerId: draft.ids.owner,
    ownerName: draft.ownerName,
    ownerContact: draft.ownerContact || null,
    platformId,
    make: draft.make,
    name: draft.name,
    plate: draft.plate || null,
    vin: draft.vin || null,
    engine: draft.variant.engine || null,
    drive: draft.variant.drive || null,
    variant: variantBody(draft.variant),
    sort: draft.built?.kind ?? null,
    bodyKind: built.bodyKind,
    front: built.front,
    rear: built.rear,
    sizes: sizesBody(draft.sizes, unit),
    // Of a vehicle that is known nothing said is nothing changed.
    fitted:
      draft.known && draft.fitted.length === 0
        ? null
        : fittedBody(draft.fitted, unit),
    wish: draft.wish || null,
    carries: draft.carries || null,
    troubles: draft.troubles || null,
    target: targetBody(draft.target, unit),
    promisedOn: draft.promisedOn || null,
    odometer: typed(draft.odometer, unit === "in" ? "mi" : "km"),
    equipment: draft.equipment || null,
    comeback:
      draft.known && draft.comeback.for !== ""
        ? comebackBody(draft.comeback)
        : null,
  };
}
