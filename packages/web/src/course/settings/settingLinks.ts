import type { HomeAndMenu, ItemChanges, Link } from '@yarin/core';

export const AREA_NAMES = ['announcements', 'discussions', 'gradebook', 'files'] as const;

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
