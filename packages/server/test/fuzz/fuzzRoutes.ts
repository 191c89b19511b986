import type { TSchema } from '@sinclair/typebox';
import type { ProblemDetails } from '@yarin/core';
import type { Router } from 'express';
import type supertest from 'supertest';
import { checkedSchemas } from '../../src/http/checked.js';
import type { TestServer } from '../testServer.js';
import { randomFrom, type Random } from './random.js';
import { HOSTILE_NAMES, valueFor } from './valuesFor.js';

type Agent = ReturnType<typeof supertest.agent>;
type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

export interface Route {
  readonly method: Method;
  readonly path: string;
}

/** What an answer may never be. */
export interface Fault {
  readonly method: string;
  readonly path: string;
  readonly status: number;
  readonly sent: string;
  readonly answer: string;
}

interface Layer {
  readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
  readonly handle?: { readonly stack?: readonly Layer[] };
}

/** Every route of the application, as it is wired. */
export function routesOf(app: { readonly router: Router }): Route[] {
  const routes: Route[] = [];
  const look = (layers: readonly Layer[]): void => {
    for (const { route, handle } of layers) {
      if (route !== undefined)
        for (const method of Object.keys(route.methods)) routes.push({ method: method as Method, path: route.path });
      if (handle?.stack !== undefined) look(handle.stack);
    }
  };
  look((app.router as unknown as { stack: readonly Layer[] }).stack);
  return routes.filter(({ path }) => path !== '/{*path}');
}

/** Files come to these; everything else is JSON. */
const takesFiles = ({ method, path }: Route): boolean => method === 'post' && /\/(?:files|roster)$/.test(path);
/** A stack trace that got out. */
const TRACE = /\n\s+at .+:\d+:\d+|node_modules/;
const PEOPLE = ['p-marant', 'p-brandt', 'p-rhee', 'p-lindqvist'];
const SHOWN = 300;

/**
 * Sends requests made from the schemas that the routes check, some of them as they should be, most with something wrong.
 *
 * @returns what no answer may be: a failure, or a trace of the code
 */
export async function fuzzRoutes(
  server: TestServer,
  routes: readonly Route[],
  {
    seed,
    requests,
    told,
  }: { readonly seed: number; readonly requests: number; readonly told?: (sent: number) => void },
): Promise<{ readonly faults: readonly Fault[]; readonly statuses: ReadonlyMap<number, number> }> {
  const random = randomFrom(seed);
  const agents = await Promise.all(PEOPLE.map((person) => server.as(person)));
  const schemas = await schemasByRoute(agents[2]!, routes);
  let ids = await idsOf(server);
  const faults: Fault[] = [];
  const statuses = new Map<number, number>();
  for (let sent = 0; sent < requests; sent++) {
    const at = random.number(agents.length);
    const route = random.pick(routes);
    const { path, body, answer } = await send(agents[at]!, route, { random, ids, schema: schemas.get(route) });
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
    if (answer.status >= 500 || TRACE.test(answer.text ?? ''))
      faults.push({
        method: route.method,
        path,
        status: answer.status,
        sent: (JSON.stringify(body) ?? '').slice(0, SHOWN),
        answer: (answer.text ?? '').slice(0, SHOWN),
      });
    // Signed out by one of the requests, or acting for somebody: begin again.
    if (answer.status === 401 || (route.path.startsWith('/session') && route.method !== 'get'))
      agents[at] = await server.as(PEOPLE[at]!);
    if (sent % 500 === 499) {
      ids = await idsOf(server);
      told?.(sent + 1);
    }
  }
  return { faults, statuses };
}

/** Ids of what an address may name, by the word before them in it. */
type Ids = ReadonlyMap<string, readonly string[]>;

const IDS: Readonly<Record<string, string>> = {
  courses: 'SELECT id FROM course',
  plans: 'SELECT id FROM plan',
  runs: 'SELECT id FROM run',
  calendars: 'SELECT id FROM term',
  recipes: 'SELECT id FROM recipe',
  people: 'SELECT id FROM person',
  moments: "SELECT key AS id FROM moment WHERE course_id IN ('apc120-dev', 'eco214-s27-02') LIMIT 60",
  items: "SELECT key AS id FROM item WHERE course_id IN ('apc120-dev', 'eco214-s27-02', 'prn110-s27-01') LIMIT 150",
  files: "SELECT key AS id FROM item WHERE kind = 'file' LIMIT 40",
};

async function idsOf({ reading }: TestServer): Promise<Ids> {
  const ids = new Map<string, readonly string[]>();
  for (const [name, sql] of Object.entries(IDS))
    ids.set(
      name,
      (await reading.query<{ id: string }[]>(sql)).map(({ id }) => id),
    );
  return ids;
}

/** Courses that somebody may change, so that requests get as far as what they change. */
const OPEN_COURSES = ['apc120-dev', 'eco214-s27-02', 'prn110-s27-01', 'apc120-s27-01'];

interface Sending {
  readonly random: Random;
  readonly ids: Ids;
  readonly schema: TSchema | undefined;
}

async function send(agent: Agent, route: Route, { random, ids, schema }: Sending) {
  const isFair = random.chance(0.3);
  const path = addressed(route, random, ids, isFair ? 0.02 : 0.15);
  const request = agent[route.method](`/api${path}`);
  if (takesFiles(route) && random.chance(0.7)) {
    const bytes = Buffer.from(Array.from({ length: random.number(400) }, () => random.number(256)));
    const name = random.pick(['f', 'file', 'users', 'classes', '__proto__']);
    const filename = random.pick(['a.csv', 'a\u0000.csv', '../../a.csv', 'ü.csv', 'x'.repeat(300)]);
    return { path, body: `${name} ${filename}`, answer: await request.attach(name, bytes, { filename }) };
  }
  if (route.method === 'get' || route.method === 'delete') return { path, body: undefined, answer: await request };
  if (random.chance(0.03)) {
    const text = random.pick(['{', 'null', '[]', '"a"', '{"a":'.repeat(2000), '\u0000', '{"__proto__":{"a":1}}']);
    return { path, body: text, answer: await request.set('content-type', 'application/json').send(text) };
  }
  const making = { random, ids: [...ids.values()].flat(), hostileShare: isFair ? 0 : 0.08 };
  const body = schema === undefined ? valueFor({} as TSchema, making) : valueFor(schema, making);
  return {
    path,
    body,
    answer: await request.set('content-type', 'application/json').send(JSON.stringify(body) ?? 'null'),
  };
}

function addressed({ path, method }: Route, random: Random, ids: Ids, hostileShare: number): string {
  const named = path.replace(/(\w+)\/:\w+/g, (_all, word: string) => {
    if (random.chance(hostileShare)) return `${word}/${random.pick(HOSTILE_NAMES)}`;
    const known = word === 'courses' && random.chance(0.6) ? OPEN_COURSES : (ids.get(word) ?? []);
    return `${word}/${encodeURIComponent(known.length === 0 ? 'nothing' : random.pick(known))}`;
  });
  if (method !== 'get' || random.chance(0.5)) return named;
  const name = random.pick(['words', 'as', 'country', 'from', 'to', 'term', 'when', 'most', '__proto__', 'words[]']);
  return `${named}?${name}=${random.chance(0.5) ? random.pick(HOSTILE_NAMES) : encodeURIComponent(random.pick(['eco', 'shell', 'US', '2027-01-01', '99']))}`;
}

/** The schema that a route checks, known by what it says is missing from an empty object. */
async function schemasByRoute(agent: Agent, routes: readonly Route[]): Promise<ReadonlyMap<Route, TSchema>> {
  const byMissing = new Map<string, TSchema>();
  for (const schema of checkedSchemas())
    byMissing.set([...((schema as { required?: readonly string[] }).required ?? [])].sort().join(' '), schema);
  const found = new Map<Route, TSchema>();
  for (const route of routes) {
    if (route.method === 'get' || route.method === 'delete' || takesFiles(route)) continue;
    const path = route.path.replace(/^\/courses\/:id/, '/courses/apc120-dev').replace(/:\w+/g, 'nothing');
    const { body } = (await agent[route.method](`/api${path}`).send({})) as { body: Partial<ProblemDetails> };
    const missing = (body.problems ?? []).flatMap(({ code, where }) => (code === 'missing' ? [where.slice(1)] : []));
    const schema = byMissing.get(missing.sort().join(' '));
    if (schema !== undefined) found.set(route, schema);
  }
  return found;
}
