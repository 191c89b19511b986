import { isGraded, type PreviewDate, type Snapshot } from '@yarin/core';

/** Dates as they stand in the new course after a run, beside those they came from: keys survive the copying. */
export function standingDates(source: Snapshot, shell: Snapshot): PreviewDate[] {
  const now = new Map(
    shell.items.flatMap(({ moments = [] }) => moments.map((moment) => [moment.id, moment.at] as const)),
  );
  return source.items.flatMap((item) =>
    (item.moments ?? []).flatMap((moment): PreviewDate[] => {
      const to = now.get(moment.id);
      if (to === undefined) return [];
      const graded = isGraded(item);
      const { id, role, at: from } = moment;
      return [
        {
          id,
          role,
          from,
          to,
          rule: 'keep',
          steps: [],
          flags: [],
          item: item.id,
          kind: item.kind,
          title: item.title,
          graded,
        },
      ];
    }),
  );
}
