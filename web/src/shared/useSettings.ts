import type { Schemas } from "../api/client";
import { useMe } from "../api/job";

const usual: Schemas["ShopSettings"] = {
  lengthUnit: "in",
  denominator: 16,
  datum: "hub",
  tolerance: null,
  hourRate: null,
  bays: [],
  hours: {
    opens: 480,
    pauseFrom: 720,
    pauseTo: 750,
    closes: 1020,
    days: ["monday", "tuesday", "wednesday", "thursday", "friday"],
    closed: null,
  },
  timeZone: null,
  apprenticeLevel: null,
  dates: "en-GB",
};

/** What the shop has settled once; what a device kept before it had settings is as usual. */
export const useSettings = (): Schemas["ShopSettings"] =>
  (useMe().data as Partial<Schemas["Me"]> | undefined)?.settings ?? usual;
