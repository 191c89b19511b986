import type {
  CourseLeftOver,
  CourseEdit,
  CourseView,
  EditOutcome,
  ItemChanges,
  ItemView,
  Mark,
  NewItem,
  NewShell,
  PairView,
  Redated,
} from '@yarin/core';
import { get, patch, post, put, remove } from './client.js';

const course = (id: string): string => `/courses/${encodeURIComponent(id)}`;
const item = (courseId: string, key: string): string => `${course(courseId)}/items/${encodeURIComponent(key)}`;

export const fetchLeftOver = (id: string) => get<CourseLeftOver>(`/courses/${encodeURIComponent(id)}/left-over`);
export const fetchCourse = (id: string) => get<CourseView>(course(id));
export const fetchItem = (courseId: string, key: string) => get<ItemView>(item(courseId, key));
export const saveItem = (courseId: string, key: string, version: number, changes: ItemChanges) =>
  put<EditOutcome>(item(courseId, key), { version, changes });
export const addItem = (courseId: string, added: NewItem) =>
  post<{ key: string }>(`${course(courseId)}/items`, added).then(({ key }) => key);
export const duplicateItem = (courseId: string, key: string) =>
  post<{ key: string }>(`${item(courseId, key)}/duplicate`).then((answer) => answer.key);
export const placeItem = (
  courseId: string,
  key: string,
  place: { parent: string | null; before: string | null },
): Promise<void> => put(`${item(courseId, key)}/place`, place);
export const removeItem = (courseId: string, key: string) => remove(item(courseId, key));
export const putBackItem = (courseId: string, key: string): Promise<void> => post(`${item(courseId, key)}/putBack`);
export const markItem = (
  courseId: string,
  key: string,
  mark: Mark['mark'] | null,
  note: string | null,
): Promise<void> => put(`${item(courseId, key)}/mark`, { mark: mark ?? null, note });
/** Takes back what was done to a course, or does again what was taken back. */
export const takeDeedBack = (id: string, deed: number) =>
  post<{ what: string }>(`${course(id)}/deeds/${deed}/takeBack`);
export const editCourse = (id: string, changes: CourseEdit) => patch(course(id), changes);
export const archiveCourse = (id: string, archived: boolean): Promise<void> =>
  put(`${course(id)}/archived`, { archived });
export const removeShell = (id: string) => remove(course(id));
export const addShell = (shell: NewShell) => post<{ id: string }>('/shells', shell).then(({ id }) => id);
export function addFile(id: string, file: File): Promise<string> {
  const form = new FormData();
  form.append('file', file);
  return post<{ key: string }>(`${course(id)}/files`, form).then(({ key }) => key);
}
export const fileAddress = (courseId: string, key: string): string =>
  `/api${course(courseId)}/files/${encodeURIComponent(key)}`;

export const fetchPair = (id: string, side: 'shell' | 'source') => get<PairView>(`${course(id)}/pair?as=${side}`);

export interface TermView {
  readonly id: string;
  readonly name: string;
  readonly firstDay: string;
  readonly lastDay: string;
}
export const fetchTerms = () => get<{ terms: TermView[] }>('/terms').then(({ terms }) => terms);

const moments = (id: string): string => `${course(id)}/moments`;
/** @param version  of the course, as it was seen */
/** @param fix  a plan moves dates of what it brought */
export const moveMoments = (id: string, version: number, moves: Readonly<Record<string, string>>, fix = false) =>
  put<{ before: Record<string, string> }>(moments(id), { version, moves, fix });
export const fetchRedated = (id: string) => get<Redated>(`${moments(id)}/redated`);
