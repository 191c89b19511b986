// Loads what a thread runs: compiled code, or TypeScript where there is none beside it (tests, development).
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/**
 * @param name  of the module, without ending
 * @param from  `import.meta.url` of the entry beside it
 */
export async function loadThread(name, from) {
  // The tests run what was just built, where it was.
  const beside = process.env.YARIN_THREADS === 'built' ? from.replace('/server/src/', '/server/dist/') : from;
  const compiled = new URL(`./${name}.js`, beside);
  if (existsSync(fileURLToPath(compiled))) return import(compiled.href);
  const { register } = await import('tsx/esm/api');
  register({ tsconfig: fileURLToPath(new URL('../../tsconfig.json', import.meta.url)) });
  return import(new URL(`./${name}.ts`, from).href);
}
