import { dateTotalsOf } from '../plan/totals.js';
import { isWritten, landsNew } from '../plan/shapes/line.js';
import { originOf } from '../plan/sources/joinSources.js';
import { originKey } from '../plan/shapes/origin.js';
import type { PlanInput, Preview } from '../plan/shapes/preview.js';
import type { RunCounts } from '../api/plans.js';
import type { Noted, Operation } from './operation.js';

/**
 * What a run does to the shell, before it does it: everything that is written, noted and taken out, in the order of the plan.
 *
 * @see docs/rules.md, "The journal"
 */
export function operationsOfRun(input: PlanInput, { lines }: Pick<Preview, 'lines'>): Operation[] {
  const { shell, lineage } = input;
  const before = new Map(shell.items.map((item) => [item.id, item]));
  const noted = new Map(
    lineage.map(({ sourceCourse, sourceItem, sourceHash, landedHash, landedVersion }): [string, Noted] => [
      originKey(sourceCourse, sourceItem),
      { sourceHash, landedHash, ...(landedVersion === undefined ? {} : { landedVersion }) },
    ]),
  );
  const written: Operation[] = [];
  const same: Operation[] = [];
  const out: Operation[] = [];
  for (const line of lines) {
    const { item, to: key, verb, source } = line;
    if (key === null) continue;
    if (line.takenOut === true) {
      const origin = item === null ? null : { course: source, item };
      out.push({ op: 'removed', key, origin, before: before.get(key)! });
      continue;
    }
    if (item === null) continue;
    if (isWritten(line)) {
      const origin = originOf(input, item);
      const notedBefore = noted.get(originKey(origin.course, origin.item));
      if (landsNew(line)) {
        const part = line.place === true ? 'place' : line.headingOnly === true ? 'heading' : undefined;
        written.push({ op: 'added', key, origin, notedBefore, ...(part === undefined ? {} : { part }) });
      } else {
        written.push({ op: 'changed', key, origin, before: before.get(key)!, notedBefore });
      }
    } else if (verb === 'same' || line.answered === 'kept')
      same.push({ op: 'noted', key, origin: originOf(input, item) });
  }
  return [...written, ...same, ...out];
}

/** What a run counts of what it did. */
export function countsOfRun(
  { joined }: Pick<PlanInput, 'joined'>,
  { dates, counts, totals }: Pick<Preview, 'dates' | 'counts' | 'totals'>,
  operations: readonly Operation[],
): Omit<RunCounts, 'learners'> {
  const added = operations.filter(({ op }) => op === 'added');
  const changed = operations.filter(({ op }) => op === 'changed');
  const { move, kept } = dateTotalsOf(dates);
  const from = (course: string): number =>
    [...added, ...changed].filter(({ origin }) => origin?.course === course).length;
  const bySource = joined?.sources.map(({ course }) => ({
    course: course.id,
    name: `${course.code} ${course.number}, ${course.term}`,
    things: from(course.id),
  }));
  return {
    things: added.length + changed.length,
    added: added.length,
    changed: changed.length,
    places: added.filter((each) => each.op === 'added' && each.part === 'place').length,
    updated: changed.filter((each) => each.op === 'changed' && each.notedBefore !== undefined).length,
    takenOut: operations.filter(({ op }) => op === 'removed').length,
    dates: move,
    datesKept: kept,
    left: totals.stays,
    byKind: Object.fromEntries(
      Object.entries(counts).map(([kind, { source: of, comes: brought, stands: stood }]) => [
        kind,
        { source: of, brought, stood },
      ]),
    ),
    ...(bySource === undefined ? {} : { bySource }),
  };
}
