import { FINDING_NAMES, type FindingName } from '../../src/names/findings.js';
import { findFindings } from '../../src/choose/findings/findFindings.js';
import { ANNOUNCEMENTS } from './announcements.js';
import { EVENTS } from './events.js';
import type { LabelledCourse } from './labelled.js';
import { MEETINGS } from './meetings.js';
import { MODES } from './modes.js';
import { STRUCTURE } from './structure.js';

export const LABELLED: readonly LabelledCourse[] = [...ANNOUNCEMENTS, ...EVENTS, ...MEETINGS, ...MODES, ...STRUCTURE];

/** How good a finding is on the labelled courses. */
export interface Quality {
  readonly finding: FindingName;
  readonly labelled: number;
  /** Of what was found, the share that is so; of what is so, the share that was found. */
  readonly precision: number;
  readonly recall: number;
  /** “course: item”, with what is wrong about it. */
  readonly mistakes: readonly string[];
}

export function measureFindings(courses: readonly LabelledCourse[] = LABELLED): Quality[] {
  const found = courses.map(({ source, shell }) => findFindings(source, shell));
  return FINDING_NAMES.map((finding) => {
    let right = 0;
    let wrong = 0;
    let missed = 0;
    const mistakes: string[] = [];
    courses.forEach(({ name, expected }, index) => {
      const wanted = expected[finding];
      if (wanted === undefined) return;
      const ids = found[index]!.filter((each) => each.finding === finding).map(({ item }) => item);
      for (const id of ids)
        if (wanted.includes(id)) right++;
        else {
          wrong++;
          mistakes.push(`${name}: ${id} should not be found`);
        }
      for (const id of wanted)
        if (!ids.includes(id)) {
          missed++;
          mistakes.push(`${name}: ${id} is missed`);
        }
    });
    return {
      finding,
      labelled: right + missed,
      precision: right + wrong === 0 ? 1 : right / (right + wrong),
      recall: right + missed === 0 ? 1 : right / (right + missed),
      mistakes,
    };
  });
}
