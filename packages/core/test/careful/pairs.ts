import type { CarefulPair } from './carefulPair.js';
import { OTHER_TERMS } from './otherTerms.js';
import { SEMESTERS } from './semesters.js';

/** Twelve courses that move between calendars of unlike shape, with what a careful teacher would do with each date. */
export const CAREFUL_PAIRS: readonly CarefulPair[] = [...SEMESTERS, ...OTHER_TERMS];
