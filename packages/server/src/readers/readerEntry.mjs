// What a reading thread loads: compiled code, or TypeScript where there is none beside it (tests, development).
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const compiled = new URL('./readerThread.js', import.meta.url);
async function load() {
  if (existsSync(fileURLToPath(compiled))) return import(compiled.href);
  const { register } = await import('tsx/esm/api');
  register({ tsconfig: fileURLToPath(new URL('../../tsconfig.json', import.meta.url)) });
  return import(new URL('./readerThread.ts', import.meta.url).href);
}
const { read } = await load();
export default read;
