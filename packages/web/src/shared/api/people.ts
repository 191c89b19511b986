import type { PersonView } from '@yarin/core';
import { get, post, remove } from './client.js';

export const fetchPeople = () => get<{ people: PersonView[] }>('/people').then(({ people }) => people);
export const fetchSession = () => get<{ person: PersonView | null }>('/session').then(({ person }) => person);
export const signIn = (person: string) =>
  post<{ person: PersonView }>('/session', { person }).then((answer) => answer.person);
export const signOut = () => remove('/session');
