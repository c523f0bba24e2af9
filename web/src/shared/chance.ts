/** A chance as a fitter says it. */
export function oddsSays(chance: number): string {
  const n = Math.round(chance * 100);
  return n >= 100
    ? "as good as sure"
    : n < 1
      ? "next to none"
      : `${n.toString()} in 100`;
}
