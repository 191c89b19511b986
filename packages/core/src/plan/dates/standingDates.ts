import type { Snapshot } from '../../course/snapshot.js';
import type { Moment } from '../../schemas/course.js';
import { isGraded } from './dates.js';
import type { PreviewDate } from '../shapes/preview.js';
import { withoutSection } from './sharedShell.js';

/**
 * Dates as they stand in the new course after a run, beside those they came from: keys survive the copying, and one for
 * everybody can stand there as one for each section.
 */
export function standingDates(source: Snapshot, shell: Snapshot): PreviewDate[] {
  const standing = new Map<string, Moment[]>();
  for (const { moments = [] } of shell.items)
    for (const moment of moments)
      for (const id of new Set([moment.id, withoutSection(moment.id)]))
        standing.set(id, [...(standing.get(id) ?? []), moment]);
  return source.items.flatMap((item) =>
    (item.moments ?? []).flatMap((moment) =>
      (standing.get(moment.id) ?? []).map(({ id, at: to, for: section }): PreviewDate => ({
        id,
        role: moment.role,
        from: moment.at,
        to,
        rule: 'keep',
        steps: [],
        flags: [],
        item: item.id,
        kind: item.kind,
        title: item.title,
        graded: isGraded(item),
        ...(id === moment.id ? {} : { moment: moment.id }),
        ...(section === undefined ? {} : { for: section }),
      })),
    ),
  );
}
