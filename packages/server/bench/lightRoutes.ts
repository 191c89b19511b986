// The routes that do little, one after the other as somebody would use them: none of them may hold the answering thread either.
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { CalendarsView, CourseCalendarView, PlanView } from '@yarin/core';
import { ROSTER_FILES } from '@yarin/formats';
import type { Asking } from './runningServer.js';

interface Given {
  readonly ines: Asking;
  readonly tomas: Asking;
  readonly measure: (name: string, ask: () => ReturnType<Asking>, times?: number) => Promise<unknown>;
  /** A plan of Ines. */
  readonly planId: string;
}

interface Added {
  readonly key: string;
}

const SHELL = 'eco214-s27-03';
const LARGE = 'bot220-s27-01';
const MEGABYTES = 20;
const asFile = (content: string | Uint8Array<ArrayBuffer>): Blob => new Blob([content]);
const idOf = (json: unknown): string => (json as { id: string }).id;

/** Everything that `answering.ts` does not measure yet. */
export async function measureLightRoutes(given: Given): Promise<void> {
  const { ines, tomas, measure, planId } = given;
  const once = (name: string, ask: Asking, method: string, path: string, body?: unknown): Promise<unknown> =>
    measure(name, () => ask(method, path, body), 1);

  await measure('whether it is well', () => ines('GET', '/health'));
  await measure('who is signed in', () => ines('GET', '/session'));
  await measure('terms', () => ines('GET', '/terms'));
  await once('how dates are read', ines, 'PATCH', '/session/dates', { order: 'dayFirst' });
  await once('acting for somebody', tomas, 'PUT', '/session/for', { person: 'p-brandt' });
  await once('and no more', tomas, 'PUT', '/session/for', { person: null });
  await measureCourse(given, once);
  await measureTerms(given, once);

  const view = (await ines('GET', `/plans/${planId}`)).json as PlanView;
  const sources = view.sources.map(({ source }) => source.course.id);
  await once('a plan: seen', ines, 'PUT', `/plans/${planId}/seen`);
  await once('a plan: its sources', ines, 'PUT', `/plans/${planId}/sources`, { version: view.version, sources });
  await once('a plan: for its sections', ines, 'POST', `/plans/${planId}/sections`, { destinations: [SHELL] });
  const knows = { kinds: ['page'], findings: [] };
  const recipe = { name: 'Pages alone', isShared: false, choices: { all: 'leave', kinds: { page: 'bring' } }, knows };
  const kept = idOf(await once('a recipe: saved', ines, 'POST', '/recipes', recipe));
  await once('a recipe: shared', ines, 'PUT', `/recipes/${kept}`, { isShared: true });
  await once('a recipe: removed', ines, 'DELETE', `/recipes/${kept}`);

  const brandt = 'prn110-s26-01';
  await measure('who asked for a course', () => tomas('GET', `/courses/${brandt}/access`));
  const asked = idOf(
    await once('asking for a course', ines, 'POST', '/access', { course: brandt, wants: 'change', words: 'Please' }),
  );
  await once('an ask: answered', tomas, 'PUT', `/access/${asked}`, { answer: 'granted', words: '' });
  const roster = new FormData();
  for (const name of ROSTER_FILES)
    roster.append('files', asFile(readFileSync(inDemo(`roster/${name}.csv`))), `${name}.csv`);
  await once('the roster: loaded', tomas, 'POST', '/roster', roster);
  await once('signing out', ines, 'DELETE', '/session');
}

const inDemo = (path: string): string => fileURLToPath(new URL(`../../../demo/${path}`, import.meta.url));

type Once = (name: string, ask: Asking, method: string, path: string, body?: unknown) => Promise<unknown>;

/** What a course holds: added, put elsewhere, doubled, taken out, put back; all its dates; a file of many megabytes. */
async function measureCourse({ ines, tomas, measure }: Given, once: Once): Promise<void> {
  const items = `/courses/${SHELL}/items`;
  const unit = (await once('a unit: added', ines, 'POST', items, {
    kind: 'unit',
    title: 'Extra',
    parent: null,
  })) as Added;
  const page = (await once('a page: added', ines, 'POST', items, {
    kind: 'page',
    title: 'Waders',
    parent: null,
  })) as Added;
  const item = `${items}/${encodeURIComponent(page.key)}`;
  await once('a page: put elsewhere', ines, 'PUT', `${item}/place`, { parent: unit.key, before: null });
  await once('a page: doubled', ines, 'POST', `${item}/duplicate`);
  await once('a page: marked', ines, 'PUT', `${item}/mark`, { mark: 'reword', note: 'Shorter.' });
  await once('a page: taken out', ines, 'DELETE', item);
  await once('a page: put back', ines, 'POST', `${item}/putBack`);
  const file = new FormData();
  file.append('file', asFile(new Uint8Array(MEGABYTES * 1024 * 1024)), 'tide.bin');
  const { key } = (await once(
    `a file of ${MEGABYTES} MB: added`,
    ines,
    'POST',
    `/courses/${SHELL}/files`,
    file,
  )) as Added;
  await measure('a file: fetched', () => ines('GET', `/courses/${SHELL}/files/${encodeURIComponent(key)}`));
  await once('a course: its room', ines, 'PATCH', `/courses/${SHELL}`, { room: 'Haskell 9' });
  await once('a course: archived', tomas, 'PUT', `/courses/${LARGE}/archived`, { archived: true });
  await once('a course: opened again', tomas, 'PUT', `/courses/${LARGE}/archived`, { archived: false });
}

const EVENTS = 400;
/** @param timesOf  the lines that say when an event is */
function calendarFile(timesOf: (at: number) => string): string {
  const events = Array.from(
    { length: EVENTS },
    (_, at) => `BEGIN:VEVENT\r\nUID:${at}\r\nSUMMARY:Field day\r\n${timesOf(at)}\r\nEND:VEVENT\r\n`,
  );
  return `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Marrowbrook//EN\r\n${events.join('')}END:VCALENDAR\r\n`;
}

/** Terms and class days, and shells made and removed. */
async function measureTerms({ ines, tomas, measure }: Given, once: Once): Promise<void> {
  const { terms } = (await tomas('GET', '/calendars')).json as CalendarsView;
  const coming = terms.find(({ name }) => name === 'Spring 2027')!;
  await measure('a term as a calendar file', () => ines('GET', `/calendars/${coming.id}.ics`));
  const { id, version, name, calendar } = coming;
  await once('a term: saved', tomas, 'PUT', `/calendars/${id}`, { version, name, calendar });
  const days = { firstDay: '2028-01-10', lastDay: '2028-05-05' };
  const added = idOf(
    await once('a term: added', tomas, 'POST', '/calendars', { name: 'Spring 2028', parentId: null, ...days }),
  );
  await once('a term: removed', tomas, 'DELETE', `/calendars/${added}`);
  await measure('countries with holidays', () => ines('GET', '/holidays'));
  const closedDays = calendarFile((at) => `DTSTART;VALUE=DATE:202803${String(1 + (at % 28)).padStart(2, '0')}`);
  await once('closed days: read', ines, 'POST', '/closures', {
    text: closedDays,
    ...days,
    timeZone: 'America/Chicago',
  });
  const timetable = calendarFile(
    (at) => `DTSTART:202701${12 + (at % 7)}T140000\r\nDTEND:202701${12 + (at % 7)}T151500\r\nRRULE:FREQ=WEEKLY`,
  );
  await once('class days: read', ines, 'POST', `/courses/${SHELL}/calendar/meetings`, { text: timetable });
  const time = (await ines('GET', `/courses/${SHELL}/calendar`)).json as CourseCalendarView;
  await once('class days: saved', ines, 'PUT', `/courses/${SHELL}/calendar`, {
    version: time.version,
    partId: time.partId,
    additions: time.additions,
    meetings: time.meetings,
  });
  const shell = { termId: id, code: 'ECO', number: '214', section: '77', title: 'Freshwater Ecology' };
  const made = idOf(await once('a shell: made', tomas, 'POST', '/shells', shell));
  await once('a shell: removed', tomas, 'DELETE', `/courses/${made}`);
}
