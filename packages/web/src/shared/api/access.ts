import type { AccessAsk, AccessView, Wanted } from '@yarin/core';
import { get, post, put } from './client.js';

export const fetchAccess = () => get<AccessView>('/access');
export const fetchAsksOf = (courseId: string) =>
  get<{ asks: AccessAsk[] }>(`/courses/${encodeURIComponent(courseId)}/access`).then(({ asks }) => asks);
export const askAccess = (course: string, wants: Wanted, words: string) =>
  post<{ id: string }>('/access', { course, wants, words });
export const letIn = (courseId: string, person: string, wants: Wanted): Promise<void> =>
  post(`/courses/${encodeURIComponent(courseId)}/access`, { person, wants });
export const answerAccess = (id: string, answer: 'granted' | 'refused' | 'withdrawn', words = ''): Promise<void> =>
  put(`/access/${id}`, { answer, words });
