import type { CourseNews, PlanNews } from '@yarin/core';
import { get, post } from './client.js';

export const fetchPlanNews = (id: string) => get<PlanNews>(`/plans/${encodeURIComponent(id)}/news`);
/** By the course; those that may not be read are not in it. */
export const fetchCourseNews = (courses: readonly string[]) =>
  post<Readonly<Record<string, CourseNews>>>('/news', { courses });
