// npm run dev: the server from TypeScript and the web application with hot reload.
import { spawn } from 'node:child_process';

const port = process.env.YARIN_PORT ?? '4600';
const env = { YARIN_NOW: '2026-11-24T09:00', YARIN_LOG: 'info', ...process.env, YARIN_PORT: port };
const children = [
  spawn(process.execPath, ['--conditions=development', '--import', 'tsx', 'packages/server/src/main.ts'], {
    stdio: 'inherit',
    env: { ...env, TSX_TSCONFIG_PATH: 'packages/server/tsconfig.json' },
  }),
  spawn('npm', ['run', '-s', 'dev', '-w', '@yarin/web'], { stdio: 'inherit', env }),
];
const stop = () => children.forEach((child) => child.kill());
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
