import { isGraded, type Moment, type PreviewDate, type Snapshot } from '@yarin/core';

/** What a moment of a section in a shared shell has behind the id of the moment that it comes from. */
const SECTION = /@[^@]*$/;

/**
 * Dates as they stand in the new course after a run, beside those they came from: keys survive the copying, and one for
 * everybody can stand there as one for each section.
 */
export function standingDates(source: Snapshot, shell: Snapshot): PreviewDate[] {
  const standing = new Map<string, Moment[]>();
  for (const { moments = [] } of shell.items)
    for (const moment of moments)
      for (const id of new Set([moment.id, moment.id.replace(SECTION, '')]))
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
        ...(section === undefined ? {} : { for: section }),
      })),
    ),
  );
}
