import type {
  DateStyle,
  DecisionChange,
  JobState,
  PlanScope,
  PlanView,
  Problem,
  RunThing,
  SectionsView,
  SetUpView,
} from '@yarin/core';
import { get, patch, post, put } from './client.js';

/** @param sources  in their order of precedence */
export const openPlan = (sources: readonly string[], destination: string, scope: PlanScope = 'course') =>
  post<{ id: string }>('/plans', { sources, destination, scope });
/** The gradebook set-up of a course, and where it could go by itself. */
export const fetchSetUp = (course: string) => get<SetUpView>(`/courses/${encodeURIComponent(course)}/gradebook/into`);
export const fetchPlan = (id: string) => get<PlanView>(`/plans/${id}`);
export const seePlan = (id: string): Promise<void> => put(`/plans/${encodeURIComponent(id)}/seen`, {});
export const saveDecisions = (id: string, version: number, changes: readonly DecisionChange[]) =>
  patch<{ version: number }>(`/plans/${id}/decisions`, { version, changes });
export const changeSources = (id: string, version: number, sources: readonly string[]) =>
  put<{ version: number }>(`/plans/${id}/sources`, { version, sources });
/** @param seen  the version of the plan that the page shows, and what that was computed from; refused when one changed since */
export const startRun = (id: string, seen: { readonly version?: number; readonly stands?: string } = {}) =>
  post<{ id: string; joined: boolean }>(`/plans/${id}/runs`, seen);
/** A part of a run: things, units with all that they hold, or the dates alone. */
export interface PartOfRun {
  readonly keys?: readonly string[];
  readonly dates?: true;
}
/**
 * @param changed  what becomes of things that somebody changed since; without it they are named, and nothing is done
 * @param part     all of the run when absent
 */
export const takeBackRun = (id: string, changed?: 'stay' | 'go', part?: PartOfRun) =>
  post<{ things: number }>(`/runs/${id}/takeBack`, {
    ...(changed === undefined ? {} : { changed }),
    ...(part === undefined ? {} : { part }),
  });
export const thingsOfRun = (id: string) => get<readonly RunThing[]>(`/runs/${id}/things`);

/** Follows a run until it ends. */
export function watchRun(planId: string, runId: string, listener: (state: JobState) => void): Promise<JobState> {
  return new Promise((resolve, reject) => {
    const events = new EventSource(`/api/plans/${planId}/runs/${runId}/events`);
    events.onmessage = ({ data }: MessageEvent<string>) => {
      const state = JSON.parse(data) as JobState;
      listener(state);
      if (state.is === 'running') return;
      events.close();
      resolve(state);
    };
    events.onerror = () => {
      events.close();
      reject(new Error('The run went out of sight.'));
    };
  });
}

/** What a sheet of dates that was read says; it is the person who takes it over. */
export interface DateSheetView {
  readonly changed: Readonly<Record<string, string>>;
  readonly same: number;
  readonly problems: readonly Problem[];
}
const dates = (id: string): string => `/plans/${encodeURIComponent(id)}/dates`;
export const dateFile = (id: string, kind: 'csv' | 'ics'): string => `/api${dates(id)}.${kind}`;
export const readSheet = (id: string, text: string, order: DateStyle['order']) =>
  post<DateSheetView>(`${dates(id)}/sheet`, { text, order });
const sections = (id: string): string => `/plans/${encodeURIComponent(id)}/sections`;
export const fetchSections = (id: string) => get<SectionsView>(sections(id));
export const followInSections = (id: string, destinations: readonly string[]) =>
  post<SectionsView>(sections(id), { destinations });
