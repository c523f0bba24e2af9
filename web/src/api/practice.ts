const exercise =
  /^\/jobs\/([0-9a-f]{8}-[0-9a-f]{4}-8[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12})(\/|$)/i;

/** Key of the exercise whose pages lie at an address; null of every other page. */
export const practiceAt = (path: string): string | null =>
  exercise.exec(path)?.[1]?.toLowerCase() ?? null;

/**
 * The exercise that this page was loaded for. What is asked of shelf and people is asked of its practice bay;
 * whoever crosses over loads the page anew, so that nothing of the one is ever taken for the other.
 */
export const practice =
  typeof window === "undefined" ? null : practiceAt(window.location.pathname);
