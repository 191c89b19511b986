import { VALUES } from '../../database/lists.js';
import {
  addressesIn,
  checkDetails,
  isCollegesOwn,
  keyAddressed,
  linksOf,
  parseDay,
  reversedMoments,
  ROLE_WORDS,
  type EditOutcome,
  type Item,
  type ItemChanges,
  type Kind,
  type Link,
  type Moment,
  type Problem,
  type SnapshotItem,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { nameOf } from '../../people/names.js';
import { nativeHash } from '../nativeHash.js';
import { conflict, unusable } from '../../http/httpProblem.js';
import type { Command } from '../../database/command.js';
import { readText } from '../courseStore.js';
import { insertBodies } from '../courseWriter.js';
import { storable } from '../sanitise.js';
import { courseChanged, itemToEdit, standingBefore, writeItem, type EditOf } from './editing.js';
import { gradeIn, lineOf } from './gradeIn.js';
import { sectionsAsStored } from './syllabusSections.js';

export interface ItemEdit extends EditOf {
  readonly key: string;
  /** The version that the person saw; refused when somebody else saved since. */
  readonly version: number;
  readonly changes: ItemChanges;
}

const COLLEGES_OWN = 'What the college put into the course stays open to learners.';

/** Saves what a person changed in an item. */
export const editItem: Command<ItemEdit, EditOutcome> = async ({ manager }, edit) => {
  const { courseId, key, version, changes } = edit;
  const item = await itemToEdit(manager, courseId, key);
  await refuseWhenNewer(manager, courseId, key, version);
  const known = await keysOf(manager, courseId);
  refuse(problemsOf(item, changes, known));
  if (isCollegesOwn(item) && changes.state !== undefined && changes.state !== 'open')
    throw unusable(COLLEGES_OWN, [{ code: 'collegesOwn', message: COLLEGES_OWN, where: '/changes/state' }]);

  const { body, takenOut } = storable(changes.body ?? '', courseId);
  const oldBody = await readText(manager, item.bodyHash);
  const newBody = changes.body === undefined ? oldBody : body;
  if (newBody !== '') await insertBodies(manager, [newBody]);
  const details =
    changes.details === undefined
      ? item.details
      : withoutNulls(sectionsAsStored(item, { ...item.details, ...changes.details }, courseId));
  const edited: SnapshotItem = {
    ...item,
    title: changes.title?.trim() ?? item.title,
    state: changes.state ?? item.state ?? 'open',
    points: changes.points === undefined ? item.points : (changes.points ?? undefined),
    moments:
      changes.moments === undefined
        ? (item.moments ?? [])
        : keyed(changes.moments, key, version, await idsOfOthers(manager, edit)),
    details,
    links: linksAfter(item, changes.links, oldBody, newBody, courseId, known),
    bodyHash: newBody === '' ? undefined : nativeHash(newBody),
  } as SnapshotItem;

  const before = await standingBefore(manager, courseId, [key, lineOf(item)]);
  const graded = changes.category === undefined ? edited : await gradeIn(manager, edit, edited, changes.category);
  await writeItem(manager, edit, graded);
  await courseChanged(manager, edit, { what: `changed “${edited.title}”`, itemKey: key, before });
  const { version: now } = await itemToEdit(manager, courseId, key);
  return { version: now!, takenOut: changes.body === undefined ? [] : takenOut };
};

async function refuseWhenNewer(manager: EntityManager, courseId: string, key: string, version: number): Promise<void> {
  const [row] = await manager.query<{ version: number; editedBy: string | null; editedAt: string | null }[]>(
    'SELECT version, edited_by AS editedBy, edited_at AS editedAt FROM item WHERE course_id = ? AND key = ?',
    [courseId, key],
  );
  if (row!.version === version) return;
  const who =
    row!.editedBy === null ? 'Somebody' : await nameOf(manager, { personId: row!.editedBy, forPersonId: null });
  const when = row!.editedAt === null ? '' : ` at ${row!.editedAt.slice(11)}`;
  throw conflict(`${who} changed this${when}, after you opened it. Nothing was written over; both texts are here.`);
}

type Known = ReadonlyMap<string, { readonly id: string; readonly kind: Kind }>;

/** The things of a course by key, and by the second keys that they took over. */
async function keysOf(manager: EntityManager, courseId: string): Promise<Known> {
  const rows = await manager.query<{ at: string; id: string; kind: Kind }[]>(
    `SELECT key AS at, key AS id, kind FROM item WHERE course_id = ?
     UNION ALL
     SELECT alias, item.key, item.kind FROM item_alias JOIN item ON item.course_id = item_alias.course_id AND item.key = item_alias.key
      WHERE item_alias.course_id = ? AND alias NOT IN (SELECT key FROM item WHERE course_id = ?)`,
    [courseId, courseId, courseId],
  );
  return new Map(rows.map(({ at, id, kind }) => [at, { id, kind }]));
}

function refuse(problems: readonly Problem[]): void {
  if (problems.length > 0) throw unusable(problems[0]!.message, problems);
}

function problemsOf(
  item: SnapshotItem,
  { moments = [], links = [], details = {}, category }: ItemChanges,
  known: Known,
): Problem[] {
  const dates = moments.flatMap(({ at }, index): Problem[] =>
    Number.isNaN(parseDay(at))
      ? [
          {
            code: 'noSuchDate',
            message: `${at.slice(0, 10)} is not on any calendar; give a date that exists.`,
            where: `/changes/moments/${index}/at`,
          },
        ]
      : [],
  );
  const targets = links.flatMap(({ to, course, type }, index): Problem[] =>
    known.has(to) || course !== undefined || item.links?.some((link) => link.to === to && link.type === type)
      ? []
      : [
          {
            code: 'noSuchThing',
            message: 'What this leads to is not in the course any more; choose another.',
            where: `/changes/links/${index}/to`,
          },
        ],
  );
  return [
    ...categoryProblems(category, known),
    ...dates,
    ...orderProblems(moments),
    ...targets,
    ...bytesProblems(item, details),
    ...checkDetails(item.kind, details, '/changes/details', item.details),
  ];
}

const categoryProblems = (category: string | null | undefined, known: Known): Problem[] =>
  typeof category !== 'string' || known.get(category)?.kind === 'gradeCategory'
    ? []
    : [
        {
          code: 'noSuchThing',
          message: 'This category is not in the gradebook any more; choose another.',
          where: '/changes/category',
        },
      ];

/** What a file is, its bytes say; nobody writes it by hand. */
const bytesProblems = ({ kind }: SnapshotItem, details: Readonly<Record<string, unknown>>): Problem[] =>
  kind !== 'file'
    ? []
    : ['hash', 'bytes', 'mediaType']
        .filter((name) => details[name] !== undefined)
        .map((name) => ({
          code: 'notAllowed',
          message: 'What a file holds is not written by hand; add the file again.',
          where: `/changes/details/${name}`,
        }));

/** What is reversed, at its place in the edit. */
const orderProblems = (moments: NonNullable<ItemChanges['moments']>): Problem[] =>
  reversedMoments(moments).map(({ index, before }) => ({
    code: 'reversed',
    message: `This is before it ${ROLE_WORDS[before.role]}; give a later date, or move the other one.`,
    where: `/changes/moments/${index}/at`,
  }));

/** Dates with keys: a new one where none was given, or the one given is another date's. */
function keyed(
  moments: NonNullable<ItemChanges['moments']>,
  key: string,
  version: number,
  ofOthers: ReadonlySet<string>,
): Moment[] {
  const taken = new Set(ofOthers);
  return moments.map(({ id, ...rest }, index) => {
    const own = id === undefined || taken.has(id) ? `${key}.${rest.role}-${version}-${index}` : id;
    taken.add(own);
    return { ...rest, id: own };
  });
}

/** Of the ids of dates those that dates of other things of the course have. */
async function idsOfOthers(
  manager: EntityManager,
  { courseId, key, changes: { moments = [] } }: ItemEdit,
): Promise<ReadonlySet<string>> {
  const given = moments.flatMap(({ id }) => id ?? []);
  const rows = await manager.query<{ key: string }[]>(
    `SELECT key FROM moment WHERE course_id = ? AND item_key <> ? AND key IN ${VALUES}`,
    [courseId, key, JSON.stringify(given)],
  );
  return new Set(rows.map((row) => row.key));
}

/** Listed links as they were given, and those that the text leads to: addresses that went from it are links no more. */
function linksAfter(
  item: SnapshotItem,
  listed: readonly Link[] | undefined,
  oldBody: string,
  newBody: string,
  courseId: string,
  known: Known,
): Link[] {
  const addressed = new Set(
    addressesIn(oldBody).flatMap(({ address }) => known.get(keyAddressed(address) ?? address)?.id ?? []),
  );
  const links = (listed ?? item.links ?? []).filter(
    ({ type, to }) => !((type === 'embeds' || type === 'links') && addressed.has(to)),
  );
  return linksOf(
    { body: newBody, links: [...links] },
    courseId,
    known as ReadonlyMap<string, Pick<Item, 'id' | 'kind'>>,
  );
}

function withoutNulls(details: Readonly<Record<string, unknown>>): Record<string, unknown> | undefined {
  const kept = Object.entries(details).filter(([, value]) => value !== null);
  return kept.length === 0 ? undefined : Object.fromEntries(kept);
}
