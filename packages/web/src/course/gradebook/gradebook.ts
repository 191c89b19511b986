import { isWork, KIND_WORDS, weightOf, weightsOf, type SnapshotItem } from '@yarin/core';

/** A line of the gradebook, with what is graded in it. */
export interface GradebookLine {
  readonly key: string;
  readonly title: string;
  readonly points: number | undefined;
  readonly worksKey: string | undefined;
  /** What is graded in it: the kind of work, or that it has none in the course (on paper, or a mark from outside). */
  readonly work: string;
  readonly due: string | undefined;
  /** What a person should see to. */
  readonly doubt: string;
}

export interface GradebookCategory {
  /** `undefined` for lines in no category. */
  readonly key: string | undefined;
  readonly title: string;
  readonly weight: number | undefined;
  readonly isOfficial: boolean;
  readonly points: number;
  readonly lines: readonly GradebookLine[];
}

export interface Gradebook {
  readonly categories: readonly GradebookCategory[];
  /** All weights together; `undefined` when no category has one. */
  readonly weights: number | undefined;
  readonly scale: SnapshotItem | undefined;
  /** Work that can be marked and is graded in no line. */
  readonly outside: readonly SnapshotItem[];
}

const targetOf = ({ links = [] }: SnapshotItem): string | undefined =>
  links.find(({ type }) => type === 'gradedIn')?.to;

/** The gradebook of a course: categories in order, each with its lines, and what does not add up. */
export function gradebookOf(items: readonly SnapshotItem[]): Gradebook {
  const works = new Map<string, SnapshotItem>();
  for (const item of items) {
    const line = isWork(item.kind) ? targetOf(item) : undefined;
    if (line !== undefined) works.set(line, item);
  }
  const lines = items.filter(({ kind }) => kind === 'lineItem');
  const lineOf = (line: SnapshotItem, inCategory: boolean): GradebookLine => {
    const work = works.get(line.id);
    return {
      key: line.id,
      title: line.title,
      points: line.points,
      worksKey: work?.id,
      work: work === undefined ? 'on paper or from outside' : KIND_WORDS[work.kind].one,
      due: work?.moments?.find(({ role }) => role === 'due')?.at,
      doubt: doubtOf(line, work, inCategory),
    };
  };
  const categories = items
    .filter(({ kind }) => kind === 'gradeCategory')
    .map((category): GradebookCategory => {
      const own = lines.filter((line) => targetOf(line) === category.id).map((line) => lineOf(line, true));
      return {
        key: category.id,
        title: category.title,
        weight: weightOf(category),
        isOfficial: category.details?.official === true,
        points: own.reduce((sum, { points = 0 }) => sum + points, 0),
        lines: own,
      };
    });
  const known = new Set(categories.map(({ key }) => key));
  const loose = lines.filter((line) => !known.has(targetOf(line))).map((line) => lineOf(line, false));
  if (loose.length > 0)
    categories.push({
      key: undefined,
      title: 'In no category',
      weight: undefined,
      isOfficial: false,
      points: loose.reduce((sum, { points = 0 }) => sum + points, 0),
      lines: loose,
    });
  return {
    categories,
    weights: weightsOf(items),
    scale: items.find(({ kind }) => kind === 'scoreScale'),
    outside: items.filter((item) => isWork(item.kind) && item.kind !== 'discussion' && targetOf(item) === undefined),
  };
}

function doubtOf(line: SnapshotItem, work: SnapshotItem | undefined, inCategory: boolean): string {
  if (!inCategory) return 'in no category';
  if (work?.points !== undefined && line.points !== undefined && work.points !== line.points)
    return `the work has ${work.points} points`;
  if (line.points === undefined || line.points === 0) return 'no points';
  return '';
}
