import type {
  Calendar,
  CalendarEffect,
  CalendarsView,
  CourseCalendarView,
  CourseTimeEdit,
  NewTermEdit,
  ReadClosures,
  ReadMeetings,
} from '@yarin/core';
import { get, post, put, remove } from './client.js';

export interface Region {
  readonly code: string;
  readonly name: string;
}

const term = (id: string): string => `/calendars/${encodeURIComponent(id)}`;
const ofCourse = (id: string): string => `/courses/${encodeURIComponent(id)}/calendar`;

export const fetchCalendars = () => get<CalendarsView>('/calendars');
export const addTerm = (added: NewTermEdit) => post<{ id: string }>('/calendars', added).then(({ id }) => id);
export const saveTerm = (id: string, version: number, name: string, calendar: Calendar) =>
  put<{ version: number }>(term(id), { version, name, calendar });
/** Address of a term's calendar as an iCalendar file. */
export const termFile = (id: string): string => `/api${term(id)}.ics`;
export const removeTerm = (id: string) => remove(term(id));
export const termEffect = (id: string, calendar: Calendar) => post<CalendarEffect>(`${term(id)}/effect`, { calendar });

export const fetchCountries = (country: string) =>
  get<{ countries: Region[]; regions: Region[] }>(`/holidays?country=${encodeURIComponent(country)}`);
export const fetchHolidays = (country: string, region: string, { firstDay, lastDay }: Calendar) =>
  get<ReadClosures>(`/holidays/days?${new URLSearchParams({ country, region, from: firstDay, to: lastDay })}`);
export const readClosureFile = (text: string, { firstDay, lastDay, timeZone }: Calendar) =>
  post<ReadClosures>('/closures', { text, firstDay, lastDay, timeZone });

export const fetchCourseCalendar = (id: string) => get<CourseCalendarView>(ofCourse(id));
export const saveCourseTime = (id: string, version: number, time: CourseTimeEdit): Promise<void> =>
  put(ofCourse(id), { version, ...time });
export const readMeetings = (id: string, text: string) => post<ReadMeetings>(`${ofCourse(id)}/meetings`, { text });
export const courseTimeEffect = (id: string, time: CourseTimeEdit) =>
  post<CalendarEffect>(`${ofCourse(id)}/effect`, time);
