import { weightOf, weightsOf } from '../../course/weights.js';
import { isWork } from '../../names/kinds.js';
import { about, titlesOf, type CourseCheck } from './looseEnd.js';

export const linkToNothing: CourseCheck = ({ items }) => {
  const ids = new Set(items.map(({ id }) => id));
  const broken = items.filter(
    ({ kind, links = [] }) => kind !== 'rule' && links.some(({ to, course }) => course === undefined && !ids.has(to)),
  );
  return about(broken, {
    code: 'linkToNothing',
    severity: 'breaks',
    one: 'One thing links to something that is not here',
    many: 'things link to something that is not here',
  });
};

export const ruleWithoutEnd: CourseCheck = ({ items }) => {
  const ids = new Set(items.map(({ id }) => id));
  const rules = items.filter(({ kind, links = [] }) => kind === 'rule' && links.some(({ to }) => !ids.has(to)));
  return about(rules, {
    code: 'ruleWithoutEnd',
    severity: 'breaks',
    one: 'A rule lacks one of its ends',
    many: 'rules lack one of their ends',
  });
};

export const placeKept: CourseCheck = ({ items }) =>
  about(
    items.filter(({ isPlace, details }) => isPlace === true || details?.placeKept === true),
    {
      code: 'placeKept',
      severity: 'breaks',
      one: 'A place is kept for outside work: link it anew',
      many: 'places are kept for outside work: link them anew',
    },
  );

export const gradedWithoutDate: CourseCheck = ({ items }) =>
  about(
    items.filter(
      ({ kind, points, moments = [], links = [] }) =>
        isWork(kind) &&
        (points ?? 0) > 0 &&
        links.some(({ type }) => type === 'gradedIn') &&
        !moments.some(({ role }) => role === 'due'),
    ),
    {
      code: 'gradedWithoutDate',
      severity: 'wrong',
      one: 'Graded work without a due date',
      many: 'pieces of graded work have no due date',
    },
  );

export const weights: CourseCheck = ({ items }) => {
  const total = weightsOf(items);
  if (total === undefined || Math.abs(total - 100) < 0.01) return [];
  const categories = items.filter((item) => weightOf(item) !== undefined);
  return [
    {
      code: 'weights',
      severity: 'breaks',
      sentence: `The category weights come to ${total} %, not 100 %`,
      detail: titlesOf(categories),
      items: categories.map(({ id }) => id),
    },
  ];
};

export const notOpen: CourseCheck = ({ course }) =>
  course.openToLearners === true
    ? []
    : [
        {
          code: 'notOpen',
          severity: 'untidy',
          sentence: 'The course is not open to learners yet',
          detail: 'open it when you are ready; nothing opens by itself',
          items: [],
        },
      ];
