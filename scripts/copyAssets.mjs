// Copies what the TypeScript compiler leaves out: the entries that start threads.
import { copyFileSync, mkdirSync } from 'node:fs';
import { dirname } from 'node:path';

for (const entry of [
  'threads/loadThread.mjs',
  'writer/writerEntry.mjs',
  'readers/readerEntry.mjs',
  'queries/queryEntry.mjs',
]) {
  const target = `packages/server/dist/${entry}`;
  mkdirSync(dirname(target), { recursive: true });
  copyFileSync(`packages/server/src/${entry}`, target);
}
