/** What an hour costs as it is typed; none is null, and what is no number is refused by the server. */
export const rateOf = (typed: string): number | null => {
  const text = typed.trim().replace(",", ".");
  return text === "" ? null : /^\d+(\.\d+)?$/.test(text) ? Number(text) : -1;
};

/** A quote has no photographs. */
export const noPicture = (): Promise<Blob> =>
  Promise.reject(new Error("There is none."));
