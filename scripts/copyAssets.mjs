// Copies what the TypeScript compiler leaves out: the entries that start threads.
import { copyFileSync, mkdirSync } from 'node:fs';
import { dirname } from 'node:path';

for (const entry of ['writer/writerEntry.mjs', 'readers/readerEntry.mjs']) {
  const target = `packages/server/dist/${entry}`;
  mkdirSync(dirname(target), { recursive: true });
  copyFileSync(`packages/server/src/${entry}`, target);
}
