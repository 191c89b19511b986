import type { Choices } from '../schemas/choices.js';
import type { Link } from '../schemas/course.js';
import type { SnapshotItem } from './snapshot.js';

/** What the settings of a course show, each chosen by itself. */
export interface HomeAndMenu {
  readonly home: string | null;
  /** What the menu leads to, in order. */
  readonly menu: readonly string[];
  readonly picture: string | null;
  /** Areas that have a name of their own. */
  readonly areas: Readonly<Record<string, string>>;
}

export const SETTING_WORDS = {
  home: 'home page',
  menu: 'menu',
  picture: 'picture',
  areas: 'names of areas',
} as const;
export type SettingName = keyof typeof SETTING_WORDS;
const SETTING_NAMES = Object.keys(SETTING_WORDS) as readonly SettingName[];

/** Whether and from when to when learners and visitors get in is decided anew every term. */
const NEVER_COMES = new Set(['openToLearners', 'open', 'startsOn', 'endsOn', 'visitors', 'visitorAccess']);

/**
 * What the settings of a course say. Entries are named by keys or, in courses that came as files, by the ids that stand
 * behind the course's in their keys; one that leads to nothing stays as it is, so that it is seen and not lost.
 *
 * @param keys  of everything in the course
 */
export function homeAndMenu(
  settings: Pick<SnapshotItem, 'details' | 'links'> | undefined,
  keys: Iterable<string>,
): HomeAndMenu {
  const details = settings?.details ?? {};
  const shown = (settings?.links ?? []).filter(({ type }) => type === 'shows').map(({ to }) => to);
  const known = [...shown, ...keys];
  const keyOf = (entry: string): string => known.find((key) => key === entry || key.endsWith(`.${entry}`)) ?? entry;
  const entries = (value: unknown): string[] =>
    Array.isArray(value) ? value.filter((entry) => typeof entry === 'string').map(keyOf) : [];
  const named = entries(details.menu);
  const picture = typeof details.picture === 'string' ? details.picture : null;
  const [home] = details.home === undefined ? shown.filter((key) => !named.includes(key)) : entries([details.home]);
  const areas = typeof details.areas === 'object' && details.areas !== null ? details.areas : {};
  return { home: home ?? null, menu: named, picture, areas: areas as Record<string, string> };
}

/** Which settings a course has, in their order. */
export function settingsPresent(settings: SnapshotItem, keys: Iterable<string>): SettingName[] {
  const { home, menu, picture, areas } = homeAndMenu(settings, keys);
  const has = {
    home: home !== null,
    menu: menu.length > 0,
    picture: picture !== null,
    areas: Object.keys(areas).length > 0,
  };
  return SETTING_NAMES.filter((name) => has[name]);
}

interface Side {
  /** Of the shell: what is taken out, so that nothing leads to it. */
  readonly out?: ReadonlySet<string>;
  readonly settings: SnapshotItem | undefined;
  readonly keys: Iterable<string>;
}

/**
 * The settings as they land: each one that comes from the source, with where it leads in the new course; the others as
 * the shell has them. What lets people in never comes.
 *
 * @param landsAt  where an item of the source stands in the new course; null when it stays behind: what leads to it stays too
 */
export function landedSettings(
  source: Side & { readonly settings: SnapshotItem },
  shell: Side,
  choices: Choices,
  landsAt: (id: string) => string | null,
): { readonly details: Record<string, unknown>; readonly links: Link[] } {
  const comes = (name: string): boolean => choices.settings?.[name] !== 'leave';
  const old = homeAndMenu(source.settings, source.keys);
  const here = withoutOut(homeAndMenu(shell.settings, shell.keys), shell.out);
  const isSetting = (name: string): boolean => (SETTING_NAMES as readonly string[]).includes(name);
  const others = Object.entries(source.settings.details ?? {}).filter(
    ([name]) => !isSetting(name) && !NEVER_COMES.has(name) && comes(name),
  );
  const known = new Set(source.keys);
  /** Entries that lead to no thing of the source, such as areas, stay as they are. */
  const place = (entry: string | null): string | null => (entry === null || !known.has(entry) ? entry : landsAt(entry));
  const oldMenu = comes('menu') ? old.menu.flatMap((entry) => place(entry) ?? []) : [];
  const home = (comes('home') ? place(old.home) : null) ?? here.home;
  const menu = oldMenu.length > 0 ? oldMenu : here.menu;
  const picture = (comes('picture') ? place(old.picture) : null) ?? here.picture;
  const areas = comes('areas') ? { ...here.areas, ...old.areas } : here.areas;
  const details = {
    ...Object.fromEntries(Object.entries(shell.settings?.details ?? {}).filter(([name]) => !isSetting(name))),
    ...Object.fromEntries(others),
    ...(home === null ? {} : { home }),
    ...(menu.length === 0 ? {} : { menu: [...menu] }),
    ...(picture === null ? {} : { picture }),
    ...(Object.keys(areas).length === 0 ? {} : { areas }),
  };
  const shown = [...new Set([...(home === null ? [] : [home]), ...menu])];
  return {
    details,
    links: [
      ...shown.map((to): Link => ({ type: 'shows', to })),
      ...(picture === null ? [] : [{ type: 'embeds', to: picture } as const]),
    ],
  };
}

function withoutOut(here: HomeAndMenu, out: ReadonlySet<string> = new Set()): HomeAndMenu {
  const kept = (entry: string | null): string | null => (entry === null || out.has(entry) ? null : entry);
  return {
    ...here,
    home: kept(here.home),
    picture: kept(here.picture),
    menu: here.menu.filter((entry) => !out.has(entry)),
  };
}
