import { isWork } from '../../course/kinds.js';
import type { FindingRule } from '../finding.js';

/** Work with no points in a category that carries weight. */
export const noPoints: FindingRule = ({ source }) =>
  source.items.flatMap((item) => {
    if (!isWork(item.kind) || (item.points ?? 0) > 0) return [];
    const line = target(item.links, 'gradedIn');
    const category = [line, line === undefined ? undefined : target(source.byId.get(line)?.links, 'gradedIn')]
      .map((id) => (id === undefined ? undefined : source.byId.get(id)))
      .find((each) => each?.kind === 'gradeCategory' && Number(each.details?.weight ?? 0) > 0);
    if (category === undefined) return [];
    const evidence = `no points, in “${category.title}”, ${String(category.details?.weight)} %`;
    return [{ item: item.id, finding: 'noPoints', evidence, default: 'bring' }];
  });

const target = (links: readonly { type: string; to: string }[] | undefined, type: string): string | undefined =>
  links?.find((link) => link.type === type)?.to;
