import { areaOf, type SnapshotItem } from '@yarin/core';

/** Where a thing goes: into which unit, and before which neighbour; `null` is the top, or the end. */
export interface Place {
  readonly parent: string | null;
  readonly before: string | null;
}

type Placed = Pick<SnapshotItem, 'id' | 'kind' | 'parent' | 'position' | 'title'>;

const byPosition = (a: Placed, b: Placed): number => (a.position ?? 0) - (b.position ?? 0);

const siblingsOf = (items: readonly Placed[], parent: string | null): Placed[] =>
  items.filter((item) => (item.parent ?? null) === parent).sort(byPosition);

/** The thing behind which another one ends up, given where it goes: the next sibling of `after`, or the end. */
function behind(items: readonly Placed[], after: Placed, moved: string): Place {
  const parent = after.parent ?? null;
  const siblings = siblingsOf(items, parent).filter(({ id }) => id !== moved);
  return { parent, before: siblings[siblings.findIndex(({ id }) => id === after.id) + 1]?.id ?? null };
}

/**
 * Where a thing goes when it is moved by keyboard: up or down among its neighbours, into the unit above it, or out of
 * its unit. `undefined` when it can't go that way.
 */
export function keyboardMove(
  items: readonly Placed[],
  key: string,
  way: 'up' | 'down' | 'in' | 'out',
): Place | undefined {
  const item = items.find(({ id }) => id === key);
  if (item === undefined) return undefined;
  const parent = item.parent ?? null;
  const siblings = siblingsOf(items, parent).filter(
    ({ kind }) => parent !== null || areaOf(kind) === areaOf(item.kind),
  );
  const at = siblings.indexOf(item);
  switch (way) {
    case 'up':
      return at > 0 ? { parent, before: siblings[at - 1]!.id } : undefined;
    case 'down':
      return at + 1 < siblings.length ? { parent, before: siblings[at + 2]?.id ?? null } : undefined;
    case 'in': {
      const unit = siblings.slice(0, at).findLast(({ kind }) => kind === 'unit');
      return unit === undefined ? undefined : { parent: unit.id, before: null };
    }
    case 'out': {
      const unit = items.find(({ id }) => id === item.parent);
      return unit === undefined ? undefined : behind(items, unit, key);
    }
  }
}

/** Where a thing goes when it is dropped above, below or into another one; `undefined` when it can't go there. */
export function dropMove(
  items: readonly Placed[],
  key: string,
  onto: string,
  how: 'above' | 'below' | 'into',
): Place | undefined {
  const target = items.find(({ id }) => id === onto);
  if (target === undefined || key === onto || isWithin(items, onto, key)) return undefined;
  if (how === 'into') return target.kind === 'unit' ? { parent: onto, before: null } : undefined;
  if (how === 'above') return { parent: target.parent ?? null, before: onto };
  return behind(items, target, key);
}

/** Whether a thing lies in another one, however deep. */
function isWithin(items: readonly Placed[], key: string, unit: string): boolean {
  const parents = new Map(items.map(({ id, parent }) => [id, parent]));
  for (let at: string | undefined = key; at !== undefined; at = parents.get(at)) if (at === unit) return true;
  return false;
}
