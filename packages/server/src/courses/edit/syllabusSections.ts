import type { SnapshotItem } from '@yarin/core';
import { unusable } from '../../http/httpProblem.js';
import { storable } from '../sanitise.js';

interface Section {
  readonly title: string;
  readonly body: string;
  readonly locked?: boolean;
}

const isSection = (value: unknown): value is Section =>
  typeof value === 'object' &&
  value !== null &&
  typeof (value as Section).title === 'string' &&
  typeof (value as Section).body === 'string';

/** Details with the sections of a syllabus made safe; sections that the institution locked stay as they are. */
export function sectionsAsStored(
  item: SnapshotItem,
  details: Readonly<Record<string, unknown>>,
  courseId: string,
): Readonly<Record<string, unknown>> {
  if (item.kind !== 'syllabus' || details.sections === undefined) return details;
  const { sections } = details;
  if (!Array.isArray(sections) || !sections.every(isSection))
    throw unusable('A section needs a title and a text.', [
      { code: 'wrongForm', message: 'A section needs a title and a text.', where: '/changes/details/sections' },
    ]);
  const before = Array.isArray(item.details?.sections) ? item.details.sections.filter(isSection) : [];
  const locked = before.filter((section) => section.locked === true);
  const kept = sections.filter((section) => section.locked === true);
  if (JSON.stringify(locked) !== JSON.stringify(kept))
    throw unusable('Sections that the college locked stay as they are.', [
      {
        code: 'locked',
        message: 'Sections that the college locked stay as they are.',
        where: '/changes/details/sections',
      },
    ]);
  return {
    ...details,
    sections: sections.map((section) =>
      section.locked === true ? section : { ...section, body: storable(section.body, courseId).body },
    ),
  };
}
