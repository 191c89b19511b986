// npm run faults:code [lines [seed [rooms]]]: puts small faults into the rooms of the core where something is decided, one at a time,
// and says which of them no test notices. By itself all of them, which takes hours; with a number those on as many lines of
// each room, picked by chance (the seed is printed).
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';

const REPORT = 'node_modules/.faults.json';
const WANTED = 0.85;

const [lines, seed = String(Date.now() % 2 ** 31), rooms = 'choose,plan,retime,journal,rights,words,refresh'] =
  process.argv.slice(2);
const ROOMS = rooms.split(',');
let state = Number(seed) || 1;
const random = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;

const filesOf = (room) =>
  readdirSync(`packages/core/src/${room}`, { recursive: true })
    .filter((name) => name.endsWith('.ts'))
    .map((name) => `packages/core/src/${room}/${name}`);

/** Lines of a room on which something happens, as “file:line”. */
const codeOf = (room) =>
  filesOf(room).flatMap((file) =>
    readFileSync(file, 'utf8')
      .split('\n')
      .flatMap((line, at) =>
        /^\s*(?:import|export \{|\/\/|\/\*|\*|$|[)}\]]+[;,]?$)/.test(line) ? [] : [`${file}:${at + 1}-${at + 1}`],
      ),
  );

function some(all, count) {
  const left = [...all];
  return Array.from(
    { length: Math.min(count, left.length) },
    () => left.splice(Math.floor(random() * left.length), 1)[0],
  );
}

const mutate =
  lines === undefined
    ? ROOMS.map((room) => `packages/core/src/${room}/**/*.ts`)
    : ROOMS.flatMap((room) => some(codeOf(room), Number(lines)));
if (lines !== undefined) console.log(`${lines} lines of each room, seed ${seed}`);
const { status } = spawnSync('npx', ['stryker', 'run', 'stryker.config.mjs', '--mutate', mutate.join(',')], {
  stdio: 'inherit',
});
if (status !== 0) process.exit(status ?? 1);

const NOTICED = new Set(['Killed', 'Timeout', 'RuntimeError']);
const { files } = JSON.parse(readFileSync(REPORT, 'utf8'));
const faults = Object.entries(files).flatMap(([file, { source, mutants }]) =>
  mutants
    .filter((each) => NOTICED.has(each.status) || each.status === 'Survived' || each.status === 'NoCoverage')
    .map((each) => ({ ...each, file, was: source.split('\n')[each.location.start.line - 1].trim() })),
);
const isNoticed = ({ status: outcome }) => NOTICED.has(outcome);
const roomOf = ({ file }) => ROOMS.find((room) => file.includes(`/src/${room}/`));
for (const { file, location, was, replacement, mutatorName } of faults.filter((each) => !isNoticed(each)))
  console.log(`${file}:${location.start.line} ${mutatorName}\n    ${was}\n    → ${String(replacement).split('\n')[0]}`);
for (const room of ROOMS) {
  const own = faults.filter((each) => roomOf(each) === room);
  console.log(`${room}: ${own.filter(isNoticed).length} of ${own.length} noticed`);
}
const share = faults.filter(isNoticed).length / faults.length;
console.log(`${Math.round(share * 100)} % of ${faults.length} faults noticed; at least ${WANTED * 100} % are wanted`);
process.exitCode = share >= WANTED ? 0 : 1;
