import { checkCalendar, fail, succeed, type Calendar, type Result } from '@yarin/core';
import { calendarSchema } from '@yarin/core/schemas';
import { readJson } from './readJson.js';
import { validator } from './validator.js';

const validate = validator(calendarSchema);

/** Reads a term calendar in Yarin's JSON shape, checked against its schema and for what no schema can say. */
export function readCalendar(text: string): Result<Calendar> {
  const json = readJson(text);
  if (!json.ok) return json;
  const calendar = validate(json.value);
  if (!calendar.ok) return calendar;
  const problems = checkCalendar(calendar.value, '', calendar.value.weekStartsOn ?? 1);
  return problems.length > 0 ? fail(problems) : succeed(calendar.value);
}
