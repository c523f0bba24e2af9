import type { Schemas } from "../../api/client";
import { draftPlans, type Doc } from "../../api/document";

/** What an hour costs as it is typed; none is null, and what is no number is refused by the server. */
export const rateOf = (typed: string): number | null => {
  const text = typed.trim().replace(",", ".");
  return text === "" ? null : /^\d+(\.\d+)?$/.test(text) ? Number(text) : -1;
};

/** Why an offer that stands on the quote cannot be chosen now; null where nothing is known against it. The server has the last word. */
export function whyNot(
  offer: Schemas["Offer"],
  quote: Schemas["Quote"],
  d: Doc,
  today = new Date().toLocaleDateString("sv"),
): string | null {
  return quote.holdsUntil !== null && quote.holdsUntil < today
    ? "It held until a day that is past: write a new one."
    : draftPlans(d).some((p) => p.id === offer.planId)
      ? null
      : `“${offer.name}” is not planned any more: write a new one.`;
}

/** A quote has no photographs. */
export const noPicture = (): Promise<Blob> =>
  Promise.reject(new Error("There is none."));
