import type { Item } from '@yarin/core';

/** What every fresh shell of Marrowbrook holds: nobody edited it, so that it gives way to what comes. */
export const STOCK_THINGS: readonly Item[] = [
  { id: 'stock-start', kind: 'unit', title: 'Start here', position: 1 },
  {
    id: 'stock-honesty',
    kind: 'syllabus',
    title: 'Academic honesty, from the college',
    parent: 'stock-start',
    position: 1,
    details: {
      sections: [
        {
          title: 'Academic honesty',
          body: '<p>What you hand in is your own. Where it rests on others, say on whom. The college office answers questions.</p>',
          locked: true,
        },
      ],
    },
  },
  { id: 'stock-welcome', kind: 'panel', title: 'Welcome', position: 2 },
  { id: 'stock-library', kind: 'page', title: 'Library desk hours', body: '<p>Weekdays 8:00–20:00.</p>', position: 3 },
  { id: 'stock-settings', kind: 'courseSettings', title: 'Course settings', position: 4 },
];
