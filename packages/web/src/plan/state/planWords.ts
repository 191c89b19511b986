import {
  FINDING_WORDS,
  firstFew,
  homeAndMenu,
  isWritten,
  LEARNER_SORTS,
  planMapWords,
  staysBehind,
  type FindingName,
  type LearnerCounts,
  type PlanPolicy,
  type Preview,
  type Snapshot,
  type SnapshotItem,
  type Why,
} from '@yarin/core';
import { count, LEARNER_WORDS, listed } from '../../shared/words.js';

/** A group of things with the same fate, for one line of the plan. */
export interface FateLine {
  readonly key: string;
  readonly title: string;
  readonly detail: string;
  readonly number: string;
  readonly knot: string;
}

const titles = (items: readonly SnapshotItem[]): string => firstFew(items.map(({ title }) => title));

/** What stays behind, by the finding that decides; what keeps its place; what a person left; what the source has no more. */
export function fateLines(source: Snapshot, shell: Snapshot, preview: Preview): FateLine[] {
  const items = new Map(source.items.map((item) => [item.id, item]));
  const left = new Map<string, SnapshotItem[]>();
  const places: SnapshotItem[] = [];
  const byHand: SnapshotItem[] = [];
  const notChosen: SnapshotItem[] = [];
  const emptyLines: SnapshotItem[] = [];
  const events: SnapshotItem[] = [];
  const rules: SnapshotItem[] = [];
  const needed: SnapshotItem[] = [];
  const drafts = preview.items.filter(({ hasPassed }) => hasPassed === true);
  for (const line of preview.lines) {
    const item = line.item === null ? undefined : items.get(line.item);
    if (item === undefined) continue;
    const [why] = line.why;
    if (line.place) places.push(item);
    else if (line.verb === 'leave' && why?.finding !== undefined)
      left.set(why.finding, [...(left.get(why.finding) ?? []), item]);
    else if (line.verb === 'leave' && why?.reason === 'workStays')
      (item.kind === 'event' ? events : emptyLines).push(item);
    else if (line.verb === 'leave' && why?.reason === 'endMissing') rules.push(item);
    else if (line.verb === 'leave') (why?.reason === 'all' ? notChosen : byHand).push(item);
    else if (why?.reason === 'neededBy' || why?.reason === 'goesWith' || why?.reason === 'parentOf') needed.push(item);
  }
  const ofKind = (kind: string): number => source.items.filter((item) => item.kind === kind).length;
  const inOrder = Object.keys(FINDING_WORDS);
  const lines: FateLine[] = [...left]
    .sort(([a], [b]) => inOrder.indexOf(a) - inOrder.indexOf(b))
    .map(([finding, group]) => ({
      key: finding,
      title: `Stays behind: ${FINDING_WORDS[finding as FindingName]}`,
      detail: titles(group),
      number:
        finding === 'lastTermsAnnouncement' ? `${group.length} of ${ofKind('announcement')}` : String(group.length),
      knot: 'what',
    }));
  if (places.length > 0)
    lines.push({
      key: 'places',
      title: 'Keeps its place: held by last term’s outside course',
      detail: `${titles(places)}: ${places.reduce((sum, { points = 0 }) => sum + points, 0)} points stay in the weights until you link them anew`,
      number: String(places.length),
      knot: 'left-over',
    });
  for (const [key, title, group] of [
    ['byHand', 'Left by you', byHand],
    ['notChosen', 'Not chosen', notChosen],
  ] as const)
    if (group.length > 0) lines.push({ key, title, detail: titles(group), number: String(group.length), knot: 'what' });
  if (rules.length > 0)
    lines.push({
      key: 'rules',
      title: 'Stays behind with what it reads or guards: rules',
      detail: titles(rules),
      number: String(rules.length),
      knot: 'what',
    });
  if (drafts.length > 0)
    lines.push({
      key: 'drafts',
      title: 'Lands as a draft: its date has passed',
      detail: `${titles(drafts)}: give it a date, or call it fine as it is`,
      number: String(drafts.length),
      knot: 'when',
    });
  if (emptyLines.length > 0)
    lines.push({
      key: 'emptyLines',
      title: 'Stays behind with its work: lines of the gradebook',
      detail: `${titles(emptyLines)}: bring one by itself for marks on paper`,
      number: String(emptyLines.length),
      knot: 'what',
    });
  if (events.length > 0)
    lines.push({
      key: 'eventsOfWork',
      title: 'Stays behind with its work: events that name it',
      detail: titles(events),
      number: String(events.length),
      knot: 'what',
    });
  const entries = entriesLeft(source, preview);
  if (entries.length > 0)
    lines.push({
      key: 'entries',
      title: 'Stays behind with what it leads to: in the menu, or as the home page',
      detail: titles(entries),
      number: String(entries.length),
      knot: 'what',
    });
  if (needed.length > 0)
    lines.push({
      key: 'needed',
      title: 'Comes along: needed by what you bring',
      detail: titles(needed),
      number: String(needed.length),
      knot: 'what',
    });
  const standing = new Map(shell.items.map((item) => [item.id, item]));
  const own = preview.lines
    .filter(({ verb, takenOut }) => verb === 'here' && takenOut === true)
    .flatMap(({ to }) => standing.get(to!) ?? []);
  if (own.length > 0)
    lines.push({
      key: 'own',
      title: 'Taken out of the shell: what only it has',
      detail: `${titles(own)}: stands again when the run is taken back`,
      number: String(own.length),
      knot: 'what',
    });
  for (const isOut of [false, true]) {
    const gone = preview.lines
      .filter(({ verb, takenOut }) => verb === 'gone' && (takenOut === true) === isOut)
      .flatMap(({ to }) => standing.get(to!) ?? []);
    if (gone.length > 0)
      lines.push({
        key: `gone ${isOut}`,
        title: `No longer in the old course: ${isOut ? 'taken out here too' : 'stays here'}`,
        detail: titles(gone),
        number: String(gone.length),
        knot: 'what',
      });
  }
  return lines;
}

/** What the menu or the home page of the old course leads to, and stays behind while its settings come. */
function entriesLeft({ items }: Snapshot, { lines }: Preview): SnapshotItem[] {
  const at = items.findIndex(({ kind }) => kind === 'courseSettings');
  if (at < 0 || lines[at] === undefined || !isWritten(lines[at])) return [];
  const { home, menu } = homeAndMenu(
    items[at],
    items.map(({ id }) => id),
  );
  const named = new Set([home, ...menu]);
  return items.filter(({ id }, index) => named.has(id) && lines[index]?.item === id && staysBehind(lines[index]));
}

export const summedLearners = (counts: readonly LearnerCounts[]): LearnerCounts =>
  Object.fromEntries(LEARNER_SORTS.map((sort) => [sort, counts.reduce((sum, each) => sum + each[sort], 0)])) as Record<
    keyof LearnerCounts,
    number
  >;

/** “0 of 24 people, 0 of 552 pieces of handed-in work …”: what never comes, with the zeros. */
export function zerosWords(learners: LearnerCounts): string {
  return LEARNER_SORTS.map((sort) => {
    const [, many] = LEARNER_WORDS[sort];
    return learners[sort] > 0 ? `0 of ${learners[sort]} ${many}` : `0 ${many}`;
  }).join(', ');
}

export const RULE_WORDS: Readonly<Record<NonNullable<PlanPolicy['rule']>, string>> = {
  week: 'the same teaching week',
  meeting: 'the same class meeting',
  nearest: 'the nearest such weekday',
  offset: 'the same distance from the first day',
  stretch: 'the same share of the term',
  clear: 'no date',
  keep: 'where they were',
};

/** A policy for all the rest, with the rules that single things, kinds and units have under another one. */
export const withNarrow = (next: PlanPolicy, { byItem, byKind, byUnit }: PlanPolicy): PlanPolicy => ({
  ...next,
  ...(byItem && { byItem }),
  ...(byKind && { byKind }),
  ...(byUnit && { byUnit }),
});

export const ruleWords = ({ rule = 'week' }: PlanPolicy): string => RULE_WORDS[rule];

/** Where dates go: “the same teaching week, Mon to Tue, Wed to Thu”; a rule that has no weekdays says none. */
export function wayWords(policy: PlanPolicy): string {
  const { rule } = policy;
  return rule === 'clear' || rule === 'keep' || rule === 'offset'
    ? ruleWords(policy)
    : `${ruleWords(policy)}, ${weekdayMapWords(policy)}`;
}

export const weekdayMapWords = (policy: PlanPolicy): string => planMapWords(policy) || 'same weekday';

/** What the new course holds after the run, and where it is from: “5 stock things of the new shell are taken up, 3 stay …”. */
export function shellWords({ lines, totals }: Pick<Preview, 'lines' | 'totals'>): string {
  const { stands, own, takenOut, holds } = totals;
  const joined = lines.filter(({ verb }) => verb === 'join').length;
  if (joined + stands + own + takenOut === 0) return 'The new shell is empty.';
  const parts = [
    ...(joined > 0 ? [`${count(joined, 'stock thing')} of the new shell ${isOrAre(joined)} taken up`] : []),
    ...(stands > 0 ? [`${count(stands, 'thing stands', 'things stand')} there already`] : []),
    ...(own > 0 ? [`${own} of the shell’s own ${own === 1 ? 'stays as it is' : 'stay as they are'}`] : []),
    ...(takenOut > 0 ? [`${takenOut} ${isOrAre(takenOut)} taken out`] : []),
  ];
  return `${listed(parts)}: the course then holds ${holds}.`;
}
const isOrAre = (number: number): string => (number === 1 ? 'is' : 'are');

/** Why a thing comes, up to what was chosen: “comes with Reading a river ← in unit 3, which you chose”. */
export function chainWords(why: readonly Why[], titleOf: (id: string) => string): string {
  return why
    .flatMap(({ reason, item }, at): string[] => {
      const title = item === undefined ? '' : titleOf(item);
      switch (reason) {
        case 'neededBy':
        case 'goesWith':
          return [at === 0 ? `comes with ${title}` : title];
        case 'parentOf':
          return [at === 0 ? `the heading of ${title}` : title];
        case 'unit':
          return [`in ${title}, which you chose`];
        case 'item':
          return ['which you chose'];
        case 'kind':
          return ['of a kind that you chose'];
        case 'ends':
          return ['comes, since all that it reads and guards does'];
        case 'endMissing':
        case 'workStays':
          return [`stays, since ${title} does`];
        case 'standsThere':
          return ['stays, since the shell has it'];
        case 'all':
        case 'mark':
        case 'finding':
        case 'keepsPlace':
          return [];
      }
    })
    .join(' ← ');
}
