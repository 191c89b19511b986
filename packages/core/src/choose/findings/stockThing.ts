import { titleKey } from '../../course/title.js';
import { givesWay } from '../../course/stock.js';
import { lastTermsSyllabus } from './lastTermsSyllabus.js';
import type { FindingRule } from './finding.js';

/** The shell has it too, as stock that no person edited or as something empty. */
export const stockThing: FindingRule = (context) => {
  const { source, shell } = context;
  const syllabuses = new Set(lastTermsSyllabus(context).map(({ item }) => item));
  const gives = givesWay(shell.items);
  const stock = new Map(
    shell.items.filter((item) => item.kind !== 'courseSettings' && gives(item)).map((item) => [titleKey(item), item]),
  );
  return source.items.flatMap((item) => {
    const standing = stock.get(titleKey(item));
    if (standing === undefined || syllabuses.has(item.id)) return [];
    const evidence = `the shell has “${standing.title}”, ${standing.editedAt === undefined ? 'never edited' : 'empty'}`;
    return [{ item: item.id, finding: 'stockThing', evidence, default: 'join' }];
  });
};
