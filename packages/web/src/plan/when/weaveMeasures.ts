/** Measures of the weave, in pixels. */
export const MARGIN = 24;
/** Width of the names at the left of the strips. */
export const LABELS = 126;
/** Height of a strip of weeks. */
export const STRIP = 22;
/** How the strands of each section of a shared shell are drawn, in their order. */
export const SECTION_DASHES = ['none', '11 4', '3 3'] as const;
