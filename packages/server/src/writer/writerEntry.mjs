// Starts the writer thread from compiled code, or from TypeScript where there is none beside it (tests, development).
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const compiled = new URL('./writerThread.js', import.meta.url);
if (existsSync(fileURLToPath(compiled))) await import(compiled.href);
else {
  const { register } = await import('tsx/esm/api');
  register({ tsconfig: fileURLToPath(new URL('../../tsconfig.json', import.meta.url)) });
  await import(new URL('./writerThread.ts', import.meta.url).href);
}
