import type { ItemChanges, Link, SnapshotItem } from '@yarin/core';

export interface HomeAndMenu {
  readonly home: string | null;
  /** What the menu leads to, in order. */
  readonly menu: readonly string[];
  readonly picture: string | null;
  /** Areas that have a name of their own. */
  readonly areas: Readonly<Record<string, string>>;
}

export const AREA_NAMES = ['announcements', 'discussions', 'gradebook', 'files'] as const;

/**
 * What the settings of a course say. Entries are named by keys or, in courses that came as files, by the ids that stand
 * behind the course's in their keys; one that leads to nothing stays as it is, so that it is seen and not lost.
 *
 * @param keys  of everything in the course
 */
export function homeAndMenu(
  settings: Pick<SnapshotItem, 'details' | 'links'> | undefined,
  keys: readonly string[],
): HomeAndMenu {
  const details = settings?.details ?? {};
  const shown = (settings?.links ?? []).filter(({ type }) => type === 'shows').map(({ to }) => to);
  const keyOf = (entry: string): string =>
    [...shown, ...keys].find((key) => key === entry || key.endsWith(`.${entry}`)) ?? entry;
  const entries = (value: unknown): string[] =>
    Array.isArray(value) ? value.filter((entry) => typeof entry === 'string').map(keyOf) : [];
  const named = entries(details.menu);
  const picture = typeof details.picture === 'string' ? details.picture : null;
  const [home] = details.home === undefined ? shown.filter((key) => !named.includes(key)) : entries([details.home]);
  const areas = typeof details.areas === 'object' && details.areas !== null ? details.areas : {};
  return { home: home ?? null, menu: named, picture, areas: areas as Record<string, string> };
}

/** The links of settings that show this home page, this menu and this picture, as far as they are there; other links stay. */
export function linksFor(
  links: readonly Link[],
  { home, menu, picture }: HomeAndMenu,
  isThere: (key: string) => boolean,
): NonNullable<ItemChanges['links']> {
  const others = links.filter(({ type }) => type !== 'shows' && type !== 'embeds');
  const shown = [...new Set([...(home === null ? [] : [home]), ...menu])].filter(isThere);
  return [
    ...others.map(({ type, to, quantity, course }) => ({
      type,
      to,
      ...(quantity === undefined ? {} : { quantity }),
      ...(course === undefined ? {} : { course }),
    })),
    ...shown.map((to) => ({ type: 'shows' as const, to })),
    ...(picture === null ? [] : [{ type: 'embeds' as const, to: picture }]),
  ];
}
