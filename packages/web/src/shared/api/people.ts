import type { DateStyle, PersonView, SessionView } from '@yarin/core';
import { get, patch, post, put, remove } from './client.js';

export const fetchPeople = () => get<{ people: PersonView[] }>('/people').then(({ people }) => people);
export const fetchSession = () => get<SessionView | { person: null; actor: null }>('/session');
export const signIn = (person: string) => post<SessionView>('/session', { person });
export const actFor = (person: string | null) => put<SessionView>('/session/for', { person });
export const styleDates = (change: Partial<DateStyle>) => patch('/session/dates', change);
export const signOut = () => remove('/session');
