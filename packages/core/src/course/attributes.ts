import type { Problem } from '../problem.js';
import type { Kind } from './kinds.js';
import type { LinkType } from './links.js';

/** An attribute that a kind has of its own, as a person edits it; it stands under `details`. */
export interface Attribute {
  readonly name: string;
  readonly words: string;
  readonly sort: 'number' | 'text' | 'address' | 'truth' | 'ways' | 'choice' | 'lines';
  /** What an empty or zero value means. */
  readonly hint?: string;
  readonly most?: number;
  /** The values of a `choice`. */
  readonly values?: readonly string[];
}

/** Ways of handing in. */
export const WAYS = ['file', 'text', 'link', 'recording', 'paper'] as const;

const attempts: Attribute = { name: 'attempts', words: 'attempts', sort: 'number', most: 100, hint: '0 is any number' };
const url: Attribute = { name: 'url', words: 'address', sort: 'address' };

/** The attributes of each kind that can be edited as they are; banks, scales and syllabus sections have editors of their own. */
export const ATTRIBUTES: Readonly<Partial<Record<Kind, readonly Attribute[]>>> = {
  assignment: [
    { name: 'ways', words: 'handed in as', sort: 'ways' },
    attempts,
    { name: 'originalityCheck', words: 'originality check wanted', sort: 'truth' },
  ],
  quiz: [
    attempts,
    { name: 'minutesAllowed', words: 'minutes allowed', sort: 'number', most: 1440, hint: 'empty is no limit' },
  ],
  discussion: [{ name: 'openingPost', words: 'with the teacher’s opening post', sort: 'truth' }],
  weblink: [url],
  event: [{ name: 'place', words: 'place', sort: 'text' }, url],
  gradeCategory: [
    { name: 'weight', words: 'weight, %', sort: 'number', most: 100 },
    { name: 'official', words: 'passed on to the official record', sort: 'truth' },
  ],
  scoreScale: [
    { name: 'rounding', words: 'rounding', sort: 'choice', values: ['half up', 'down', 'none'] },
    {
      name: 'learnersSee',
      words: 'learners see',
      sort: 'choice',
      values: ['letter and points', 'letter', 'points', 'nothing'],
    },
  ],
  rubric: [
    { name: 'rows', words: 'rows', sort: 'lines' },
    { name: 'points', words: 'points', sort: 'number', most: 1000 },
  ],
  toolLink: [
    { name: 'service', words: 'service', sort: 'text' },
    { name: 'outsideCourseId', words: 'its id of the course', sort: 'text' },
    { name: 'launch', words: 'launch address', sort: 'address' },
  ],
  rule: [{ name: 'condition', words: 'condition', sort: 'text' }],
};

/** The links that a person sets on an item of a kind, and to which kinds. */
export interface LinkField {
  readonly type: LinkType;
  readonly words: string;
  readonly to: readonly Kind[];
  readonly many?: boolean;
}

const gradedIn: LinkField = { type: 'gradedIn', words: 'gradebook line', to: ['lineItem'] };
const aligned: LinkField = { type: 'aligned', words: 'outcomes', to: ['outcome'], many: true };
const scored: LinkField = { type: 'scored', words: 'rubric', to: ['rubric'] };
const teams: LinkField = { type: 'teams', words: 'set of groups', to: ['groups'] };

export const LINK_FIELDS: Readonly<Partial<Record<Kind, readonly LinkField[]>>> = {
  assignment: [gradedIn, scored, teams, { type: 'launches', words: 'tool link', to: ['toolLink'] }, aligned],
  quiz: [gradedIn, { type: 'draws', words: 'draws from', to: ['questionBank'] }, aligned],
  discussion: [gradedIn, scored, teams, aligned],
  lineItem: [{ type: 'gradedIn', words: 'category', to: ['gradeCategory'] }],
  rubric: [aligned],
  rule: [
    { type: 'reads', words: 'reads', to: ['assignment', 'quiz', 'discussion', 'page'], many: true },
    { type: 'guards', words: 'guards', to: ['assignment', 'quiz', 'discussion', 'page', 'unit'], many: true },
  ],
};

const HTTP = /^https?:\/\/\S+$/;

/** What is wrong with the details of an item, at the place of each. Details of no attribute here are left alone. */
export function checkDetails(kind: Kind, details: Readonly<Record<string, unknown>>, where: string): Problem[] {
  return (ATTRIBUTES[kind] ?? []).flatMap((attribute): Problem[] => {
    const value = details[attribute.name];
    if (value === undefined || value === null) return [];
    const message = complaint(attribute, value);
    return message === undefined ? [] : [{ code: 'notAllowed', message, where: `${where}/${attribute.name}` }];
  });
}

function complaint({ words, sort, most, values = [] }: Attribute, value: unknown): string | undefined {
  const say = (right: string): string => `“${words}” has to be ${right}.`;
  switch (sort) {
    case 'number':
      return typeof value === 'number' && value >= 0 && value <= (most ?? Infinity)
        ? undefined
        : say(`a number from 0 to ${most}`);
    case 'truth':
      return typeof value === 'boolean' ? undefined : say('yes or no');
    case 'text':
      return typeof value === 'string' && value.length <= 500 ? undefined : say('a text of at most 500 characters');
    case 'address':
      return typeof value === 'string' && (value === '' || HTTP.test(value))
        ? undefined
        : say('an address that begins with http:// or https://');
    case 'choice':
      return values.includes(value as string) ? undefined : say(`one of ${values.join(', ')}`);
    case 'ways':
      return isListOf(value, (each) => (WAYS as readonly unknown[]).includes(each))
        ? undefined
        : say(`some of ${WAYS.join(', ')}`);
    case 'lines':
      return isListOf(value, (each) => typeof each === 'string' && each.length <= 500)
        ? undefined
        : say('lines of at most 500 characters');
  }
}

const isListOf = (value: unknown, holds: (each: unknown) => boolean): boolean =>
  Array.isArray(value) && value.length <= 100 && value.every(holds);
