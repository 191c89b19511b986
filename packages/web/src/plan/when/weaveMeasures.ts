/** Measures of the weave, in pixels. */
export const MARGIN = 24;
/** Width of the names at the left of the strips. */
export const LABELS = 126;
/** Height of a strip of weeks. */
export const STRIP = 22;
