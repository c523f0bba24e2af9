import type { Schemas } from "../../api/client";
import { dayText } from "../../shared/time";

/** What a job waits for before its fitting can begin, as it is seen on a day. */
export function waitsSay(
  waits: Schemas["WaitingJob"],
  today = new Date().toISOString().slice(0, 10),
): string {
  const parts = (n: number) => `${n.toString()} ${n === 1 ? "part" : "parts"}`;
  const coming = waits.parts - waits.toOrder;
  return [
    coming > 0 &&
      waits.until !== null &&
      (waits.until < today
        ? `${parts(coming)} should have come by ${dayText(waits.until)}`
        : `Waits for ${parts(coming)} until ${dayText(waits.until)}`),
    waits.toOrder > 0 && `${parts(waits.toOrder)} to order`,
  ]
    .filter(Boolean)
    .join(" · ");
}
