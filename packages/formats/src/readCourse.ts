import {
  checkCalendar,
  checkMeetings,
  fail,
  parseDay,
  succeed,
  type Course,
  type Problem,
  type Result,
} from '@yarin/core';
import { courseSchema } from '@yarin/core/schemas';
import { readJson } from './readJson.js';
import { validator } from './validator.js';

const validate = validator(courseSchema);

/** Reads a course in Yarin's JSON shape, checked against its schema and for what no schema can say. */
export function readCourse(text: string): Result<Course> {
  const json = readJson(text);
  if (!json.ok) return json;
  const course = validate(json.value);
  if (!course.ok) return course;
  const problems = [
    ...checkCalendar(course.value.calendar, '/calendar', course.value.calendar.weekStartsOn ?? 1),
    ...checkMeetings(course.value.meetings ?? [], '/meetings'),
    ...checkItems(course.value),
  ];
  return problems.length > 0 ? fail(problems) : succeed(course.value);
}

function checkItems({ items }: Course): Problem[] {
  const problems: Problem[] = [];
  const ids = new Set<string>();
  const momentIds = new Set<string>();
  const twice = (id: string, where: string): void => {
    problems.push({ code: 'idTwice', message: `The id “${id}” stands twice; each needs one of its own.`, where });
  };
  items.forEach((item, index) => {
    if (ids.has(item.id)) twice(item.id, `/items/${index}/id`);
    ids.add(item.id);
    (item.moments ?? []).forEach(({ id, at }, place) => {
      const where = `/items/${index}/moments/${place}`;
      if (momentIds.has(id)) twice(id, `${where}/id`);
      momentIds.add(id);
      if (Number.isNaN(parseDay(at)))
        problems.push({
          code: 'noSuchDate',
          message: `${at} is not on any calendar; give a date that exists.`,
          where: `${where}/at`,
        });
    });
  });
  items.forEach(({ parent }, index) => {
    if (parent !== undefined && !ids.has(parent))
      problems.push({
        code: 'noSuchParent',
        message: `The parent “${parent}” is not in this course; use the id of one of its items.`,
        where: `/items/${index}/parent`,
      });
  });
  return problems;
}
