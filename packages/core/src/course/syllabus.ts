import type { BringOrLeave } from '../schemas/choices.js';
import type { SnapshotItem } from './snapshot.js';

type Details = SnapshotItem['details'];

/** A section of a syllabus; a locked one is the institution's. */
export interface SyllabusSection {
  readonly title: string;
  readonly body?: string;
  readonly locked?: boolean;
}

export const sectionsOf = (details: Details): readonly SyllabusSection[] =>
  Array.isArray(details?.sections) ? (details.sections as SyllabusSection[]) : [];

/** A syllabus, or a part of it, that the institution put into the course: teachers neither take it out nor hide it. */
export const isCollegesOwn = ({ kind, details }: Pick<SnapshotItem, 'kind' | 'details'>): boolean =>
  kind === 'syllabus' && sectionsOf(details).some(({ locked }) => locked === true);

/**
 * A syllabus as it lands: the sections of the old course that are not the institution's, as far as they are brought,
 * with the locked ones of the shell where they stood.
 *
 * @param chosen  by the place of a section in the old course; what is not named comes
 * @see docs/rules.md, "The new course"
 */
export function landedSyllabus(
  old: Details,
  shell: Details,
  chosen: Readonly<Record<string, BringOrLeave>> = {},
): Details {
  const sections = sectionsOf(old);
  const locked = sectionsOf(shell).flatMap((section, at) => (section.locked === true ? [{ section, at }] : []));
  const coming = sections.filter(({ locked: isLocked }, at) => isLocked !== true && chosen[at] !== 'leave');
  if (coming.length === sections.length && locked.length === 0) return old;
  const landed = [...coming];
  for (const { section, at } of locked) landed.splice(Math.min(at, landed.length), 0, section);
  return { ...old, sections: landed };
}
