import { mkdirSync, rmSync } from 'node:fs';
import { startApp, TEMPLATE } from './app.js';

/** Loads the demo institution once; every test starts on a copy. */
export default async function makeTemplate(): Promise<void> {
  rmSync(TEMPLATE, { recursive: true, force: true });
  mkdirSync(TEMPLATE, { recursive: true });
  const app = await startApp(TEMPLATE);
  await app.stop();
}
