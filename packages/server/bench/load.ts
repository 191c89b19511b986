// Fifty readers and ten runs going for a minute: how long answers take beside those of a quiet server, and what fails.
import type { DeskView, PlanView } from '@yarin/core';
import { runServer, type Asking } from './runningServer.js';

const SECONDS = Number(process.argv[2] ?? 60);
const READERS = 50;
const RUNS = 10;
const ROUNDS = 10;
/** Whoever reads or brings looks at what came before going on. */
const PAUSE_MS = 3000;
const PAUSE_OF_RUNS_MS = 1000;
const QUIET_READS = 40;
const PEOPLE = ['p-marant', 'p-brandt'];

type Kind = 'smallest read' | 'Desk' | 'Desk with the runs' | 'what its plans say' | 'plan' | 'course';
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const percentile = (times: readonly number[], share: number): number =>
  times.toSorted((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? NaN;

const server = await runServer();
const readers = await Promise.all(Array.from({ length: READERS }, (_, at) => server.as(PEOPLE[at % PEOPLE.length]!)));
/** A shell of each reader. */
const shells = new Map<Asking, string>();
for (const ask of readers) shells.set(ask, ((await ask('GET', '/desk')).json as DeskView).shells[0]!.shell.id);
const tomas = await server.as('p-rhee');

/** Pairs that can be brought, one plan each. */
const desk = (await tomas('GET', '/desk')).json as DeskView;
const pairs = desk.shells.flatMap(({ shell, candidates, right, done }) =>
  candidates[0] === undefined || !right.may || done !== null ? [] : [[candidates[0].course.id, shell.id] as const],
);
const plans: string[] = [];
for (const [source, destination] of pairs.slice(0, RUNS)) {
  const { json } = await tomas('POST', '/plans', { sources: [source], destination });
  plans.push((json as { id: string }).id);
}

const failures = new Map<string, number>();
const noTimes = (): Record<Kind, number[]> => ({
  'smallest read': [],
  Desk: [],
  'Desk with the runs': [],
  'what its plans say': [],
  plan: [],
  course: [],
});
const times = noTimes();
async function timed(kind: Kind, into: Record<Kind, number[]>, ask: () => ReturnType<Asking>): Promise<void> {
  const begun = performance.now();
  const { status } = await ask().catch((error: unknown) => ({ status: String(error) }));
  into[kind].push(performance.now() - begun);
  if (status !== 200) failed(`${kind}: ${status}`);
}
const reads: Record<Kind, (ask: Asking) => ReturnType<Asking>> = {
  'smallest read': (ask) => ask('GET', '/terms'),
  Desk: (ask) => ask('GET', '/desk'),
  'Desk with the runs': () => tomas('GET', '/desk'),
  'what its plans say': () => tomas('GET', '/desk/sentences'),
  plan: () => tomas('GET', `/plans/${plans[0]}`),
  course: (ask) => ask('GET', `/courses/${shells.get(ask)}`),
};
const KINDS = Object.keys(reads) as Kind[];

const quiet = noTimes();
for (const kind of KINDS)
  for (let read = 0; read < QUIET_READS; read++) await timed(kind, quiet, () => reads[kind](readers[0]!));

const until = performance.now() + SECONDS * 1000;
async function readOn(ask: Asking, at: number): Promise<void> {
  await pause((PAUSE_MS * at) / READERS);
  for (let turn = at; performance.now() < until; turn++) {
    const kind = KINDS[turn % KINDS.length]!;
    await timed(kind, times, () => reads[kind](ask));
    await pause(PAUSE_MS);
  }
}
let brought = 0;
function failed(what: string): void {
  failures.set(what, (failures.get(what) ?? 0) + 1);
}
async function runOn(plan: string): Promise<void> {
  const ask = await server.as('p-rhee');
  while (performance.now() < until) {
    const view = await ask('GET', `/plans/${plan}`);
    if (view.status !== 200) failed(`plan to run: ${view.status}`);
    const { stands } = view.json as PlanView;
    const answer = await ask('POST', `/plans/${plan}/runs`, { stands });
    if (answer.status !== 202) failed(`run: ${answer.status}`);
    const { id } = answer.json as { id: string };
    const events = await ask('GET', `/plans/${plan}/runs/${id}/events`);
    if (!String(events.json).includes('"done"')) failed(`run not done: ${events.status}`);
    await pause(PAUSE_OF_RUNS_MS);
    const taken = await ask('POST', `/runs/${id}/takeBack`, {});
    if (taken.status !== 200) failed(`take-back: ${taken.status}`);
    brought++;
    await pause(PAUSE_OF_RUNS_MS);
  }
}
const memory: number[] = [];
async function watch(): Promise<void> {
  for (let round = 0; round < ROUNDS; round++) {
    await pause((SECONDS * 1000) / ROUNDS);
    memory.push((await server.stretch()).rssMb);
  }
}
await Promise.all([...readers.map(readOn), ...plans.map(runOn), watch()]);

console.log(
  `${READERS} readers with ${PAUSE_MS} ms between, ${plans.length} runs and their take-backs going, ${SECONDS} s`,
);
for (const kind of KINDS) {
  const [alone, pressed] = [percentile(quiet[kind], 0.95), percentile(times[kind], 0.95)];
  const limit = kind === 'smallest read' ? '; limit 10' : kind.startsWith('Desk') ? '; limit 5' : '';
  console.log(
    `${kind.padEnd(18)} ${String(times[kind].length).padStart(5)} times; 95 of 100 within ${pressed.toFixed(0)} ms (half within ${percentile(times[kind], 0.5).toFixed(0)}, quiet ${percentile(quiet[kind], 0.5).toFixed(0)}), quiet ${alone.toFixed(0)}: ${(pressed / alone).toFixed(1)} times${limit}`,
  );
}
console.log(`${brought} runs brought and taken back`);
console.log(`memory over ten rounds: ${memory.map((mb) => mb.toFixed(0)).join(', ')} MB`);
console.log(
  failures.size === 0
    ? 'nothing failed'
    : `failed: ${[...failures].map(([what, count]) => `${what} × ${count}`).join(', ')}`,
);
await server.stop();
