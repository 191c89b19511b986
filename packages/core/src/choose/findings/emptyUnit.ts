import type { CourseView, SourceRule } from './finding.js';

function isEmptyUnit(view: CourseView, id: string, seen: ReadonlySet<string> = new Set()): boolean {
  const item = view.byId.get(id)!;
  if (item.kind !== 'unit' || seen.has(id) || view.hasText(item)) return false;
  return view.childrenOf(id).every((child) => isEmptyUnit(view, child.id, new Set([...seen, id])));
}

/** A unit without text and with nothing in it but empty units. */
export const emptyUnit: SourceRule = ({ source }) =>
  source.items
    .filter(({ id }) => isEmptyUnit(source, id))
    .map(({ id }) => ({ item: id, finding: 'emptyUnit', evidence: 'no text, and nothing in it', default: 'leave' }));
