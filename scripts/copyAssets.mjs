// Copies what the TypeScript compiler leaves out: the entry that starts the writer thread.
import { copyFileSync, mkdirSync } from 'node:fs';

mkdirSync('packages/server/dist/writer', { recursive: true });
copyFileSync('packages/server/src/writer/writerEntry.mjs', 'packages/server/dist/writer/writerEntry.mjs');
