import { computed, type Ref } from 'vue';
import { usePlanStore } from '../../state/planStore.js';
import { broughtThings } from './changes.js';
import { filterRows } from './filterRows.js';
import { holdsRows, unfoldedRows } from './folding.js';
import type { Grouping } from './grouping.js';
import { anchorsOf, type Anchor } from './levelScroll.js';
import { narrowedRows, shownThings } from './narrowed.js';
import { newRows } from './newRows.js';
import { layOldPage, oldRows } from './oldRows.js';
import { placesFrom } from './placesFrom.js';
import type { RowBase } from './spreadRow.js';
import { useFolding } from './useFolding.js';

const NOTHING: ReadonlySet<string> = new Set();

/** Keys of the rows that others stand under. */
const holding = (rows: readonly RowBase[]): ReadonlySet<string> =>
  new Set(rows.flatMap(({ key }, at) => (holdsRows(rows, at) ? [key] : [])));

/**
 * The rows of both pages as they are looked at: grouped, narrowed to what a filter shows, folded. With a filter in force
 * nothing is folded. Both pages fold together: a heading of the new page goes with the one that it answers to.
 */
export function useSpreadRows(
  grouping: Readonly<Ref<Grouping>>,
  filter: Readonly<Ref<string>>,
  locked: Readonly<Ref<ReadonlySet<string>>>,
) {
  const plan = usePlanStore();
  const folding = useFolding(plan.view!.id, grouping);
  const isNarrowed = computed(() => filter.value.trim() !== '');

  /** Of several sources: where each thing is from. */
  const fromOf = computed(() => (plan.sources.length < 2 ? undefined : placesFrom(plan.ground!.joined!, plan.nameOf)));
  const brought = computed(() => broughtThings(plan.ground!.lineage));
  const layout = computed(() =>
    layOldPage(plan.source, plan.findings, grouping.value, {
      locked: locked.value,
      fromOf: fromOf.value,
      matchOf: plan.matchOf,
      brought: brought.value,
    }),
  );
  const allOld = computed(() => oldRows(layout.value, plan.preview!));
  const narrowed = computed(() => narrowedRows(allOld.value, filter.value));
  const left = computed(() => (isNarrowed.value ? narrowed.value : unfoldedRows(allOld.value, isFoldedOld)));
  // Of a large course these follow a moment later, and the page is built anew only then.
  const items = computed(() => plan.preview!.items);
  const causes = computed(() => plan.preview!.causes);
  const out = computed(() => plan.preview!.lines.filter(({ takenOut }) => takenOut === true));
  const allNew = computed(() =>
    newRows(
      {
        preview: { items: items.value, lines: out.value },
        shell: plan.view!.shell.items,
        causes: causes.value,
        findings: plan.findings,
        fromOf: fromOf.value,
        matchOf: plan.matchOf,
        brought: brought.value,
      },
      grouping.value,
    ),
  );
  /** The row of the old page that a row of the new one answers to; the outermost of several. */
  const answers = computed(() => {
    const known = new Map<string, string>();
    for (const { key, to } of allOld.value) if (to !== null && !known.has(to)) known.set(to, key);
    return known;
  });
  const isFoldedOld = (key: string): boolean => folding.isFolded(key);
  const oldKeyOf = (key: string): string => answers.value.get(key) ?? key;
  const isFoldedNew = (key: string): boolean => folding.isFolded(oldKeyOf(key));
  const right = computed(() => {
    if (!isNarrowed.value) return unfoldedRows(allNew.value, isFoldedNew);
    const ledTo = new Set(narrowed.value.flatMap(({ to }) => to ?? []));
    return filterRows(allNew.value, filter.value, ledTo).shown;
  });
  const holdingOld = computed(() => (isNarrowed.value ? NOTHING : holding(allOld.value)));
  const holdingNew = computed(() => (isNarrowed.value ? NOTHING : holding(allNew.value)));

  const placeOf = computed(() => new Map(right.value.map(({ key }, index) => [key, index])));
  const anchors = computed(() => {
    const level: Anchor[] = [];
    left.value.forEach((row, index) => {
      const to = placeOf.value.get(row.to ?? (row.item === undefined ? row.key : ''));
      if (to !== undefined) level.push([index, to]);
    });
    return anchorsOf(level);
  });

  return {
    allOld,
    left,
    right,
    placeOf,
    anchors,
    isNarrowed,
    /** With a filter in force: the things that the rows shown stand for. */
    shown: computed(() => (isNarrowed.value ? shownThings(narrowed.value) : [])),
    old: { holding: holdingOld, isFolded: isFoldedOld, fold: folding.turn },
    new: { holding: holdingNew, isFolded: isFoldedNew, fold: (key: string) => folding.turn(oldKeyOf(key)) },
    foldAll: folding.turnAll,
    isAllFolded: folding.isAllFolded,
  };
}
