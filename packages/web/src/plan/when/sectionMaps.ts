import {
  classDaysOf,
  sectionMap,
  sectionsIn,
  type PlanPolicy,
  type Snapshot,
  type TermSide,
  type WeekdayMap,
} from '@yarin/core';

/** A class-day map that holds: of all dates, or of one section of a shared shell. */
export interface MapInForce {
  readonly section: string | undefined;
  readonly map: WeekdayMap;
}

type ClassDays = Pick<Snapshot, 'meetings' | 'calendar'>;

/** The class-day maps that hold under a policy: one, or in a shell that several sections share one for each. */
export function mapsInForce(policy: PlanPolicy, source: ClassDays, shell: ClassDays): readonly MapInForce[] {
  const sections = sectionsIn(shell.meetings);
  if (sections.length === 0) return [{ section: undefined, map: policy.weekdays ?? {} }];
  return sections.map((section) => ({
    section,
    map: sectionMap(
      policy,
      section,
      classDaysOf(section, source.meetings, shell.meetings),
      shell.calendar.weekStartsOn ?? 1,
    ),
  }));
}

/** Both terms with the class days of a section, or of the whole shell. */
export function classDaysFor(
  section: string | undefined,
  source: ClassDays,
  shell: ClassDays,
): { readonly source: TermSide; readonly destination: TermSide } {
  const { from, to } =
    section === undefined
      ? { from: source.meetings, to: shell.meetings }
      : classDaysOf(section, source.meetings, shell.meetings);
  return {
    source: { calendar: source.calendar, meetings: [...from] },
    destination: { calendar: shell.calendar, meetings: [...to] },
  };
}

/** A policy that names the map of every section, as it holds. */
export function withSectionMaps(policy: PlanPolicy, source: ClassDays, shell: ClassDays): PlanPolicy {
  const maps = mapsInForce(policy, source, shell);
  if (maps[0]!.section === undefined) return policy;
  return { ...policy, sections: Object.fromEntries(maps.map(({ section, map }) => [section!, map])) };
}
