import { fork, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const inServer = (path: string): string => fileURLToPath(new URL(`../${path}`, import.meta.url));

/** What the answering thread did since it was last asked. */
export interface Stretch {
  readonly longestMs: number;
  readonly rssMb: number;
}

/** A person's requests, with their session; a form goes as it is, anything else as JSON. */
export type Asking = (method: string, path: string, body?: unknown) => Promise<{ status: number; json: unknown }>;

export interface RunningServer {
  readonly address: string;
  as(person: string): Promise<Asking>;
  stretch(): Promise<Stretch>;
  stop(): Promise<void>;
}

const isForm = (body: unknown): body is FormData => body instanceof FormData;

/** The built application in a process of its own, on Marrowbrook College loaded anew. */
export async function runServer(env: NodeJS.ProcessEnv = {}): Promise<RunningServer> {
  const dataFolder = mkdtempSync(join(tmpdir(), 'yarin-bench-'));
  const server: ChildProcess = fork(inServer('dist/main.js'), [], {
    execArgv: ['--import', inServer('bench/stretches.mjs')],
    env: { ...process.env, YARIN_NOW: '2026-11-24T09:00', ...env, YARIN_DATA: dataFolder, YARIN_PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  });
  const address = await new Promise<string>((resolve, reject) => {
    let said = '';
    server.once('exit', () => reject(new Error(`Yarin ended before it listened: ${said}`)));
    server.stdout!.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const found = /Yarin is at (\S+)/.exec(said)?.[1];
      if (found !== undefined) resolve(found);
    });
  });
  return {
    address,
    async as(person) {
      const signed = await fetch(`${address}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ person }),
      });
      const cookie = signed.headers.getSetCookie()[0]!.split(';')[0]!;
      return async (method, path, body) => {
        const answer = await fetch(`${address}/api${path}`, {
          method,
          headers: { cookie, ...(body === undefined || isForm(body) ? {} : { 'content-type': 'application/json' }) },
          ...(body === undefined ? {} : { body: isForm(body) ? body : JSON.stringify(body) }),
        });
        const text = await answer.text();
        const isJson = answer.headers.get('content-type')?.includes('json') === true;
        return { status: answer.status, json: isJson ? JSON.parse(text) : text };
      };
    },
    stretch: () =>
      new Promise((resolve) => {
        server.once('message', (told) => resolve(told as Stretch));
        server.send('stretch');
      }),
    stop: () =>
      new Promise((resolve) => {
        server.once('exit', () => {
          rmSync(dataFolder, { recursive: true, force: true });
          resolve();
        });
        server.kill('SIGTERM');
      }),
  };
}
