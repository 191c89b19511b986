import type { Kind } from '../names/kinds.js';

/** What the order of an outline needs to know of an item. */
export interface Placed {
  readonly id: string;
  readonly kind: Kind;
  readonly parent?: string | undefined;
  readonly position?: number | undefined;
}

/** Kinds that have no place in a unit are shown together after the outline, in this order. */
const AREAS: readonly { readonly area: string; readonly kinds: readonly Kind[] }[] = [
  { area: 'Announcements', kinds: ['announcement'] },
  { area: 'Events and to-do', kinds: ['event', 'task'] },
  { area: 'Gradebook', kinds: ['gradeCategory', 'lineItem', 'scoreScale'] },
  { area: 'Rubrics and outcomes', kinds: ['rubric', 'outcome'] },
  { area: 'Question banks', kinds: ['questionBank', 'question'] },
  { area: 'Groups', kinds: ['groups'] },
  { area: 'Files', kinds: ['file'] },
  { area: 'Rules', kinds: ['rule'] },
  { area: 'Settings', kinds: ['courseSettings'] },
];

/** A row of an outline: a heading of an area, or an item with how deep it is nested. */
export type OutlineRow<Each extends Placed> =
  | { readonly row: 'area'; readonly area: string; readonly items: readonly Each[] }
  | { readonly row: 'item'; readonly item: Each; readonly depth: number };

const areas = new Map(AREAS.flatMap(({ area, kinds }) => kinds.map((kind) => [kind, area] as const)));

/** The area in which things of a kind stand when they are in no unit; `undefined` for those of the outline itself. */
export const areaOf = (kind: Kind): string | undefined => areas.get(kind);

/**
 * The items of a course in teaching order: units and what stands in them as nested, then what stands in no unit,
 * area by area. An item whose parent is missing stands as if it had none.
 */
export function outlineOf<Each extends Placed>(items: readonly Each[]): OutlineRow<Each>[] {
  const ids = new Set(items.map(({ id }) => id));
  const children = new Map<string, Each[]>();
  const top: Each[] = [];
  const loose = new Map<string, Each[]>();
  for (const item of items) {
    if (item.parent !== undefined && ids.has(item.parent) && item.parent !== item.id) push(children, item.parent, item);
    else if (areas.has(item.kind)) push(loose, areas.get(item.kind)!, item);
    else top.push(item);
  }
  const rows: OutlineRow<Each>[] = [];
  const seen = new Set<string>();
  const visit = (item: Each, depth: number): void => {
    if (seen.has(item.id)) return;
    seen.add(item.id);
    rows.push({ row: 'item', item, depth });
    for (const child of byPosition(children.get(item.id) ?? [])) visit(child, depth + 1);
  };
  for (const item of byPosition(top)) visit(item, 0);
  for (const { area } of AREAS) {
    const inArea = loose.get(area);
    if (inArea === undefined) continue;
    rows.push({ row: 'area', area, items: inArea });
    for (const item of byPosition(inArea)) visit(item, 1);
  }
  for (const item of items) visit(item, 0);
  return rows;
}

function push<Each>(map: Map<string, Each[]>, key: string, value: Each): void {
  const list = map.get(key);
  if (list === undefined) map.set(key, [value]);
  else list.push(value);
}

const byPosition = <Each extends Placed>(items: readonly Each[]): Each[] =>
  [...items].sort((a, b) => (a.position ?? Infinity) - (b.position ?? Infinity) || 0);
