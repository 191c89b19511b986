import {
  KIND_WORDS,
  canBeTakenOut,
  type Finding,
  type Match,
  type PlanLine,
  type Preview,
  type PreviewItem,
  type Review,
  type SnapshotItem,
} from '@yarin/core';
import { categoriesOf } from './categories.js';
import { changeOf } from './changes.js';
import { grouped, NESTED, type Apart, type Grouping } from './grouping.js';
import { closedState, firstFindings, sourceBy, wasBrought } from './oldRows.js';
import type { FromOf } from './placesFrom.js';
import { dateWords } from './rowWords.js';
import { boxOf, type NewRow } from './spreadRow.js';

const SHELL_ITSELF = { name: 'the shell’s own', place: Infinity };

/** What the new page is made of. */
export interface NewSide {
  readonly preview: Pick<Preview, 'items' | 'lines'>;
  /** All things of the shell: those that are taken out are shown where they stood. */
  readonly shell: readonly SnapshotItem[];
  readonly causes: Review['causes'];
  readonly findings?: readonly Finding[];
  readonly fromOf?: FromOf | undefined;
  readonly matchOf?: ((id: string) => Match | undefined) | undefined;
  readonly brought?: ReadonlySet<string> | undefined;
}

/** A thing of the new page; one that is taken out is there no more after the run. */
type Shown = PreviewItem & { readonly isOut?: true };

/** Things that only the shell has, and that may be taken out of it. */
const isOwn = (item: Shown): boolean => (item.verb === 'here' || item.verb === 'gone') && canBeTakenOut(item);

/** Things that the plan takes out of the shell, as they stand there. */
function takenOutThings(lines: readonly PlanLine[], shell: readonly SnapshotItem[]): Shown[] {
  const out = new Map(lines.flatMap((line) => (line.takenOut === true ? [[line.to, line.verb] as const] : [])));
  if (out.size === 0) return [];
  return shell.flatMap((item) => {
    const verb = out.get(item.id);
    return verb === undefined
      ? []
      : [{ ...item, from: undefined, verb, isPlace: false, isWritten: false, isOut: true as const }];
  });
}

/** The new page: the course as it will be after the run, with what the shell holds and what is taken out of it. */
export function newRows(
  { preview, shell, causes, findings = [], fromOf, matchOf, brought }: NewSide,
  grouping: Grouping,
): NewRow[] {
  const doubtful = new Set(causes.flatMap(({ moments }) => moments.map(({ id }) => id)));
  const first = firstFindings(findings);
  const sourceOf = sourceBy(fromOf);
  const items: readonly Shown[] = [...preview.items, ...takenOutThings(preview.lines, shell)];
  const categoryOf = categoriesOf(items);
  const matched = (id: string): Match => matchOf?.(id) ?? { verb: 'add' };
  const groups: Apart<Shown> = {
    findingOf: ({ from }) => first.get(from ?? ''),
    sourceOf: ({ from }) => (from === undefined ? SHELL_ITSELF : sourceOf({ id: from })),
    categoryOf,
    changeOf: ({ from }) =>
      from === undefined ? changeOf(undefined, false) : changeOf(matched(from), wasBrought(matched(from), brought)),
  };
  const within = thingsWithin(items);
  return grouped(items, grouping, groups).map((row): NewRow => {
    if (row.heading !== undefined)
      return {
        key: `area ${row.heading}`,
        title: row.heading,
        depth: 0,
        isHeading: true,
        tally: '',
        state: undefined,
        also: '',
        from: undefined,
        item: undefined,
        kind: String(row.items.length),
        date: '',
        tone: 'here',
        note: ownNote(row.items),
        ...ownOf(row.items.filter(isOwn)),
      };
    const { item, depth } = row;
    const isUnit = item.kind === 'unit' && NESTED.has(grouping);
    const inside = isUnit ? within(item) : [item];
    const date = item.isPlace ? 'place kept' : dateWords(item.moments);
    const isDoubtful = (item.moments ?? []).some(({ id }) => doubtful.has(id));
    return {
      key: item.id,
      title: item.title,
      depth,
      isHeading: isUnit,
      tally: isUnit ? String(inside.length) : '',
      state: closedState({ kind: item.kind, state: item.state ?? 'open' }),
      also: categoryOf(item)?.name ?? '',
      from: nameOnly(item.from === undefined ? undefined : fromOf?.(item.from)),
      item,
      kind: KIND_WORDS[item.kind].one,
      date: item.verb === 'join' && date === '' ? 'joins' : item.isWritten ? date : date || 'here already',
      tone: isDoubtful && item.isWritten ? 'in-doubt' : item.isWritten ? 'moved' : 'here',
      note: item.isOut === true ? 'taken out' : isUnit ? ownNote(inside) : '',
      ...ownOf(inside.filter(isOwn)),
    };
  });
}

const nameOnly = (from: ReturnType<FromOf> | undefined): NewRow['from'] =>
  from === undefined ? undefined : { words: from.name, isOther: from.isOther };

/** Of a heading over things that come and things that only the shell has: its box is for the latter. */
function ownNote(items: readonly Shown[]): string {
  const own = items.filter(isOwn).length;
  return own === 0 || own === items.length ? '' : `${own} ${own === 1 ? 'is' : 'are'} the shell’s own`;
}

const ownOf = (own: readonly Shown[]): Pick<NewRow, 'box' | 'covers'> =>
  own.length === 0
    ? { box: undefined, covers: [] }
    : {
        box: boxOf(own.filter(({ isOut }) => isOut !== true).length, own.length),
        covers: own.map(({ id }) => id),
      };

/** Of a unit: itself and all that stands in it, in any depth. */
function thingsWithin(items: readonly Shown[]): (unit: Shown) => readonly Shown[] {
  const children = new Map<string, Shown[]>();
  for (const item of items) {
    if (item.parent === undefined) continue;
    const known = children.get(item.parent);
    if (known === undefined) children.set(item.parent, [item]);
    else known.push(item);
  }
  return (unit) => {
    const all = new Set([unit]);
    for (const each of all) for (const child of children.get(each.id) ?? []) all.add(child);
    return [...all];
  };
}
