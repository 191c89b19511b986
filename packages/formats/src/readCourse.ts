import { checkCourse, fail, succeed, type Course, type Result } from '@yarin/core';
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
  const problems = checkCourse(course.value, '');
  return problems.length > 0 ? fail(problems) : succeed(course.value);
}
