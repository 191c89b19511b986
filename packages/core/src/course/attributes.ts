import { WAYS } from '../names/ways.js';
import { pointerPart, type Problem } from '../problem.js';
import type { Kind } from '../names/kinds.js';
import type { LinkType } from '../names/links.js';

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

type Details = Readonly<Record<string, unknown>>;

/**
 * What is wrong with the details of an item, at the place of each: a value that its attribute can't have, a name that its kind does
 * not know, an address that would run something.
 *
 * @param standing  the details that the item has; what came with it from elsewhere may stay as it is
 */
export function checkDetails(kind: Kind, details: Details, where: string, standing: Details = {}): Problem[] {
  const attributes = ATTRIBUTES[kind] ?? [];
  const wrong = attributes.flatMap((attribute): Problem[] => {
    const value = details[attribute.name];
    if (value === undefined || value === null) return [];
    const message = complaint(attribute, value);
    return message === undefined ? [] : [{ code: 'notAllowed', message, where: `${where}/${attribute.name}` }];
  });
  const others = Object.entries(details).filter(([name]) => !attributes.some((attribute) => attribute.name === name));
  const found = [
    ...wrong,
    ...others.flatMap(([name, value]): Problem[] => {
      const at = `${where}/${pointerPart(name)}`;
      if (value === undefined || value === null || isSame(value, standing[name])) return [];
      const holds = Object.hasOwn(LISTED_DETAILS[kind] ?? {}, name) ? LISTED_DETAILS[kind]![name]! : undefined;
      if (holds === undefined)
        return [
          { code: 'unknownName', message: `“${name}” is nothing that such a thing has; leave it out.`, where: at },
        ];
      const isFit = holds.fits(value) && JSON.stringify(value).length <= LONGEST_LISTED;
      return isFit ? [] : [{ code: 'notAllowed', message: `“${name}” has to be ${holds.words}.`, where: at }];
    }),
  ];
  const told = new Set(found.map((problem) => problem.where));
  return [...found, ...unsafeAddresses(details, where).filter((problem) => !told.has(problem.where))];
}

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

interface Holding {
  readonly words: string;
  readonly fits: (value: unknown) => boolean;
}

const LONGEST_LISTED = 500_000;
const isText = (value: unknown): value is string => typeof value === 'string';
const isRecord = (value: unknown): value is Details =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf =
  (holds: (each: unknown) => boolean) =>
  (value: unknown): boolean =>
    Array.isArray(value) && value.length <= MOST_LISTED && value.every(holds);
const MOST_LISTED = 5000;

/** Details that have editors of their own, with what they hold. */
const LISTED_DETAILS: Readonly<Partial<Record<Kind, Readonly<Record<string, Holding>>>>> = {
  questionBank: {
    questions: {
      words: 'a list of questions, each with its words',
      fits: listOf((each) => isRecord(each) && isText(each.stem)),
    },
  },
  glossary: { entries: { words: 'a list of entries', fits: listOf((each) => isRecord(each) || isText(each)) } },
  groups: {
    groups: {
      words: 'a list of groups, each with a name and a size',
      fits: listOf((each) => isRecord(each) && isText(each.name) && (each.size === undefined || isSize(each.size))),
    },
  },
  scoreScale: {
    scale: {
      words: 'a list of steps, each a letter and a percentage',
      fits: listOf((each) => Array.isArray(each) && each.length === 2 && isText(each[0]) && isSize(each[1])),
    },
  },
  syllabus: { sections: { words: 'a list of sections', fits: listOf(isRecord) } },
  courseSettings: {
    home: { words: 'a thing of the course', fits: isText },
    menu: { words: 'a list of things', fits: listOf(isText) },
    picture: { words: 'a file of the course', fits: isText },
    areas: { words: 'names of areas', fits: (value) => isRecord(value) && Object.values(value).every(isText) },
  },
  // What a file holds its bytes say; the server refuses to have them written by hand.
  file: {
    hash: { words: 'a hash', fits: isText },
    bytes: { words: 'a number of bytes', fits: isSize },
    mediaType: { words: 'a media type', fits: isText },
  },
};

function isSize(value: unknown): boolean {
  return typeof value === 'number' && value >= 0 && value <= 1e12;
}

/** An address that a browser would run or that leads into the reader's own machine. */
const UNSAFE = /^[^\p{L}]{0,20}(?:javascript|vbscript|data|file|blob):/iu;

/** Addresses of such a scheme, however deep they stand. */
function unsafeAddresses(value: unknown, where: string, depth = 0): Problem[] {
  if (depth > DEEPEST_DETAILS)
    return [{ code: 'tooDeep', message: 'This stands in lists too deep to be kept.', where }];
  if (isText(value))
    return UNSAFE.test(value)
      ? [{ code: 'notAllowed', message: 'An address has to begin with http://, https:// or mailto:.', where }]
      : [];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([name, each]) =>
    unsafeAddresses(each, `${where}/${pointerPart(name)}`, depth + 1),
  );
}
const DEEPEST_DETAILS = 12;

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
