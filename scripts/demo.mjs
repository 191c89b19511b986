// npm run demo: installs when needed, builds, makes the demo database when there is none, starts on a free port.
// --fresh makes the demo database anew; YARIN_PORT asks for a port.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, rmSync } from 'node:fs';
import { installWhenNeeded, needCompiler } from './setUp.mjs';

const data = process.env.YARIN_DATA ?? 'var/demo';

needCompiler();
installWhenNeeded();
const built = spawnSync('npm', ['run', '-s', 'build'], { stdio: 'inherit' });
if (built.status !== 0) process.exit(built.status ?? 1);

if (process.argv.includes('--fresh') && existsSync(data)) rmSync(data, { recursive: true });

const server = spawn(process.execPath, ['packages/server/dist/main.js'], {
  stdio: ['ignore', 'inherit', 'inherit'],
  env: { YARIN_NOW: '2026-11-24T09:00', ...process.env, YARIN_DATA: data },
});
const pass = (signal) => server.kill(signal);
process.on('SIGINT', () => pass('SIGINT'));
process.on('SIGTERM', () => pass('SIGTERM'));
server.on('exit', (code) => process.exit(code ?? 0));
console.log(
  'Sign in as Ines Marant (instructor), Ana Brandt (another), Tomas Rhee (administrator) or Jo Lindqvist (assistant).',
);
console.log('The demo lives on 24 November 2026, before Spring 2027. Ctrl-C stops it.');
