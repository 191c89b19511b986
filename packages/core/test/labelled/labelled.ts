import type { FindingName } from '../../src/names/findings.js';
import type { Course } from '../../src/schemas/course.js';

/** A course whose findings a person wrote down by reading the definitions in docs/rules.md, not by running the code. */
export interface LabelledCourse {
  readonly name: string;
  readonly source: Course;
  readonly shell: Course;
  /** Ids of the items that have each finding; of findings that are not named here nothing is said. */
  readonly expected: Readonly<Partial<Record<FindingName, readonly string[]>>>;
}
