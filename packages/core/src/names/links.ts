/** Types of links between items. */
export const LINK_TYPES = [
  'draws',
  'embeds',
  'links',
  'gradedIn',
  'scored',
  'aligned',
  'teams',
  'launches',
  'reads',
  'guards',
  'shows',
] as const;
export type LinkType = (typeof LINK_TYPES)[number];

export const MUST_LINKS: readonly LinkType[] = ['draws', 'embeds', 'gradedIn', 'teams', 'launches'];

/** Without the target of such a link the item is broken, and so it comes along. */
export const isMust = (type: LinkType): boolean => MUST_LINKS.includes(type);
