import type { DateStyle, PersonView, SessionView } from '@yarin/core';
import { get, post, put, remove } from './client.js';

export const fetchPeople = () => get<{ people: PersonView[] }>('/people').then(({ people }) => people);
export const fetchSession = () => get<SessionView | { person: null; actor: null }>('/session');
export const signIn = (person: string) => post<SessionView>('/session', { person });
export const actFor = (person: string | null) => put<SessionView>('/session/for', { person });
export const styleDates = (style: DateStyle) => put<SessionView>('/session/dates', style);
export const signOut = () => remove('/session');
