import { groupBy } from '../groupBy.js';
import type { SnapshotItem } from '../course/snapshot.js';
import { carryOut, operationsBetween, type CourseState, type InTheWay, type Stamp } from './course.js';
import { isSame } from './fields.js';
import { fitting, invert, needsOf } from './journal.js';
import type { Operation } from './operation.js';

/** How operations are taken back. */
export interface Manner {
  /** Their dates alone: things stay. */
  readonly dates?: boolean | undefined;
  /**
   * Of a deed that is taken back whole, the things that were changed after it: only they can be broken by what goes, since without
   * them the course stood so before. All when absent.
   */
  readonly since?: ReadonlySet<string> | undefined;
  /** What stays may be broken: whoever asks was told. */
  readonly breaking?: boolean | undefined;
}

/** What taking back does to a course as it stands, or what is in its way: then nothing is taken back. */
export interface TakenBack {
  readonly operations: readonly Operation[];
  /** The course as it stands then. */
  readonly course: CourseState;
  readonly inTheWay: readonly InTheWay[];
}

/**
 * Takes a list of operations back from a course that went on since: the inverse of each, the last one first. What somebody
 * changed beside them stays. In the way is what was changed by them and by somebody since, and what would be broken without
 * the things that go.
 *
 * @see docs/rules.md, "The journal"
 */
export function takenBack(
  courseId: string,
  operations: readonly Operation[],
  course: CourseState,
  stamp: Stamp,
  { dates = false, since, breaking = false }: Manner = {},
): TakenBack {
  const going = { things: new Map(course.things), set: course.set };
  const inTheWay: InTheWay[] = [];
  for (const operation of operations.toReversed()) {
    const inverse = dates ? datesTakenBack(operation, going.things) : invert(operation);
    const hindrance = inverse === undefined ? undefined : carryOut(going, inverse, stamp);
    if (hindrance !== undefined) inTheWay.push(hindrance);
  }
  if (!breaking) inTheWay.push(...brokenBy(course.things, going.things, since));
  if (inTheWay.length > 0) return { operations: [], course, inTheWay };
  const origins = new Map(operations.map(({ key, origin }) => [key, origin]));
  const things = placed(course.things, going.things);
  const after = { things, set: going.set };
  const done = operationsBetween(courseId, course, after, (key) => origins.get(key) ?? null);
  return { operations: done, course: after, inTheWay };
}

/** What takes the dates of an operation back; `undefined` when it set none. */
function datesTakenBack(operation: Operation, things: ReadonlyMap<string, SnapshotItem>): Operation | undefined {
  const { op, key, origin } = operation;
  const thing = things.get(key);
  if (thing === undefined || (op !== 'added' && op !== 'changed')) return undefined;
  const { after = thing } = operation;
  const before = op === 'changed' ? (operation.before ?? {}) : {};
  const [was, is] = [before.moments ?? [], after.moments ?? []];
  if (isSame(was, is)) return undefined;
  return { op: 'changed', key, origin, before: { moments: is }, after: { moments: was } };
}

/** What stays and would be broken without something that goes. */
function brokenBy(
  before: ReadonlyMap<string, SnapshotItem>,
  after: ReadonlyMap<string, SnapshotItem>,
  since: ReadonlySet<string> | undefined,
): InTheWay[] {
  const gone = [...before.keys()].filter((key) => !after.has(key));
  if (gone.length === 0) return [];
  const staying = [...after.values()].filter(({ id }) => before.has(id) && (since === undefined || since.has(id)));
  const needing = groupBy(
    staying.flatMap((thing) => needsOf(thing).map((need) => ({ need, by: thing.title }))),
    ({ need }) => need,
  );
  return gone.flatMap((key) =>
    (needing.get(key) ?? []).map(({ by }): InTheWay => ({ key, title: before.get(key)!.title, why: 'needed', by })),
  );
}

/** What comes back stands in its unit, or behind everything where that is gone. */
function placed(
  before: ReadonlyMap<string, SnapshotItem>,
  after: ReadonlyMap<string, SnapshotItem>,
): ReadonlyMap<string, SnapshotItem> {
  let last = 0;
  for (const { parent, position } of after.values()) if (parent === undefined) last = Math.max(last, position ?? 0);
  return new Map(
    [...after].map(([key, thing]) => [
      key,
      before.get(key) === thing ? thing : fitting(thing, (each) => after.has(each), last),
    ]),
  );
}
