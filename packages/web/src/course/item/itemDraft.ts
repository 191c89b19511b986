import { ATTRIBUTES, LINK_FIELDS, type ItemChanges, type ItemView, type LinkField, type Moment } from '@yarin/core';

/** A date as it is being edited; an empty one has no day yet. */
export type DraftMoment = { -readonly [Key in keyof Moment]?: Moment[Key] } & { role: Moment['role'] };

/** An item as a person edits it, before it is saved. */
export interface ItemDraft {
  title: string;
  body: string;
  state: 'open' | 'draft' | 'hidden';
  points: number | undefined;
  moments: DraftMoment[];
  details: Record<string, unknown>;
  /** What each link field leads to, by its type. */
  links: Record<string, string[]>;
  /** How many are drawn, by what they are drawn from. */
  quantities: Record<string, number>;
  /** The category of the line that work is graded in; empty without one. */
  category: string;
}

const fieldsOf = ({ item }: ItemView): readonly LinkField[] => LINK_FIELDS[item.kind] ?? [];

/** @param category  the category of the gradebook line that it is graded in */
export function draftOf(view: ItemView, category = ''): ItemDraft {
  const { item } = view;
  return {
    title: item.title,
    body: item.body ?? '',
    state: item.state ?? 'open',
    points: item.points,
    moments: (item.moments ?? []).map((moment) => ({ ...moment })),
    details: structuredClone(item.details ?? {}),
    links: Object.fromEntries(
      fieldsOf(view).map(({ type }) => [type, item.links.filter((link) => link.type === type).map(({ to }) => to)]),
    ),
    category,
    quantities: Object.fromEntries(
      item.links.flatMap(({ to, quantity }) => (quantity === undefined ? [] : [[to, quantity]])),
    ),
  };
}

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Only what was changed, so that what nobody touched stays as it is; empty when nothing was. */
export function changesOf(view: ItemView, draft: ItemDraft, category = ''): ItemChanges {
  const before = draftOf(view, category);
  const changes: ItemChanges = {};
  if (draft.title !== before.title) changes.title = draft.title;
  if (draft.body !== before.body) changes.body = draft.body;
  if (draft.state !== before.state) changes.state = draft.state;
  if (draft.category !== before.category) changes.category = draft.category === '' ? null : draft.category;
  if (draft.points !== before.points) changes.points = draft.points ?? null;
  const dated = draft.moments.flatMap(({ at, ...moment }) =>
    at === undefined || at === '' ? [] : [{ ...moment, at }],
  );
  if (!isSame(dated.map(defined), before.moments.map(defined))) changes.moments = dated.map(defined) as never;
  const details = changedDetails(view, draft, before);
  if (Object.keys(details).length > 0) changes.details = details;
  if (!isSame([draft.links, draft.quantities], [before.links, before.quantities]))
    changes.links = linksAfter(view, draft);
  return changes;
}

const defined = <Value extends object>(value: Value): Value =>
  Object.fromEntries(Object.entries(value).filter(([, each]) => each !== undefined && each !== '')) as Value;

function changedDetails({ item }: ItemView, draft: ItemDraft, before: ItemDraft): Record<string, unknown> {
  const names = [...(ATTRIBUTES[item.kind] ?? []).map(({ name }) => name), 'sections', 'questions', 'scale', 'groups'];
  return Object.fromEntries(
    names.flatMap((name) => {
      const value = draft.details[name];
      return isSame(value, before.details[name]) ? [] : [[name, value === undefined || value === '' ? null : value]];
    }),
  );
}

function linksAfter(view: ItemView, draft: ItemDraft): NonNullable<ItemChanges['links']> {
  const { links } = view.item;
  const edited = new Set<string>(fieldsOf(view).map(({ type }) => type));
  const kept = links.filter(({ type }) => !edited.has(type));
  const chosen = fieldsOf(view).flatMap(({ type }) =>
    (draft.links[type] ?? []).map((to) => links.find((link) => link.type === type && link.to === to) ?? { type, to }),
  );
  return [...kept, ...chosen].map(({ type, to, ...rest }) => {
    const { course } = rest as { course?: string };
    return defined({ type, to, quantity: draft.quantities[to], course }) as NonNullable<ItemChanges['links']>[number];
  });
}
