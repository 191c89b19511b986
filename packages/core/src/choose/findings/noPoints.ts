import { isWork } from '../../names/kinds.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { SourceRule } from './finding.js';

/** Work with no points in a category that carries weight. */
export const noPoints: SourceRule = ({ source }) => {
  const gradedIn = ({ links = [] }: SnapshotItem): SnapshotItem[] =>
    links.flatMap(({ type, to, course }) =>
      type === 'gradedIn' && course === undefined ? (source.byId.get(to) ?? []) : [],
    );
  return source.items.flatMap((item) => {
    if (!isWork(item.kind) || (item.points ?? 0) > 0) return [];
    const category = gradedIn(item)
      .flatMap((line) => (line.kind === 'gradeCategory' ? [line] : gradedIn(line)))
      .find(({ kind, details }) => kind === 'gradeCategory' && Number(details?.weight ?? 0) > 0);
    if (category === undefined) return [];
    const evidence = `no points, in “${category.title}”, ${String(category.details?.weight)} %`;
    return [{ item: item.id, finding: 'noPoints', evidence, default: 'bring' }];
  });
};
