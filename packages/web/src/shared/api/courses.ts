import type { CourseSummary, CourseView, ItemView } from '@yarin/core';
import { get } from './client.js';

export const findCourses = (words: string) =>
  get<{ courses: CourseSummary[] }>(`/courses?find=${encodeURIComponent(words)}`).then(({ courses }) => courses);
export const fetchCourse = (id: string) => get<CourseView>(`/courses/${encodeURIComponent(id)}`);
export const fetchItem = (courseId: string, key: string) =>
  get<ItemView>(`/courses/${encodeURIComponent(courseId)}/items/${encodeURIComponent(key)}`);
