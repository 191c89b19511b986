import { parseDay } from '../calendar/day.js';
import type { Problem } from '../problem.js';
import type { ProposeJob } from '../schemas/proposeJob.js';

/** What the schema of a propose job can't see: days that are on no calendar, terms the wrong way round, ids twice. */
export function proposeJobProblems({ shell, courses }: ProposeJob): Problem[] {
  const problems: Problem[] = [];
  const checkDay = (day: string, where: string): void => {
    if (Number.isNaN(parseDay(day)))
      problems.push({ code: 'noSuchDate', message: `${day} is not on any calendar; give a date that exists.`, where });
  };
  checkDay(shell.firstDay, '/shell/firstDay');
  const ids = new Set<string>();
  courses.forEach(({ id, firstDay, lastDay }, index) => {
    const where = `/courses/${index}`;
    checkDay(firstDay, `${where}/firstDay`);
    checkDay(lastDay, `${where}/lastDay`);
    if (lastDay < firstDay)
      problems.push({
        code: 'reversedTerm',
        message: `The last day ${lastDay} has to be on or after the first day ${firstDay}.`,
        where: `${where}/lastDay`,
      });
    if (ids.has(id))
      problems.push({
        code: 'twice',
        message: `The id “${id}” stands twice; every course needs its own.`,
        where: `${where}/id`,
      });
    ids.add(id);
  });
  return problems;
}
