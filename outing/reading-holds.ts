/** A reading older than this is not the water's temperature any more, ms. */
export const READING_HOLDS_MS = 90 * 60_000;
