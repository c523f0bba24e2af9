import type { Schemas } from "../../api/client";
import { dayText } from "../../shared/time";

/** What a job waits for before its fitting can begin, as it is seen on a day; and whether that is later than it was promised. */
export function waitsSay(
  waits: Schemas["WaitingJob"],
  promisedOn: string | null,
  today = new Date().toISOString().slice(0, 10),
): string {
  const parts = (n: number) => `${n.toString()} ${n === 1 ? "part" : "parts"}`;
  const coming = waits.parts - waits.toOrder;
  return [
    coming > 0 &&
      waits.until !== null &&
      (waits.until < today
        ? `${parts(coming)} should have come by ${dayText(waits.until)}`
        : `Waits for ${parts(coming)} until ${dayText(waits.until)}${promisedOn !== null && waits.until > promisedOn ? ", later than it was promised" : ""}`),
    waits.toOrder > 0 && `${parts(waits.toOrder)} to order`,
  ]
    .filter(Boolean)
    .join(" · ");
}
