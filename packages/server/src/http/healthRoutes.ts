import { Router } from 'express';
import type { Server } from '../context.js';
import { HttpProblem } from './httpProblem.js';

/** A long run may keep the writer busy; that is no failure. */
const PATIENCE_MS = 1500;
/** What was found holds so long, so that asking costs little. */
const PROBED_FOR_MS = 1000;

interface Health {
  readonly reads: 'yes' | 'no';
  /** `busy`: a command has been under way for a while. */
  readonly writes: 'yes' | 'busy' | 'no';
  readonly sentence?: string;
}

/** Whether Yarin can be read and written, for whoever watches it: 200, or 503 with what is the matter. Nobody has to sign in. */
export function healthRoutes({ reading, writer, log }: Pick<Server, 'reading' | 'writer' | 'log'>): Router {
  let last: { readonly at: number; readonly health: Promise<Health> } | undefined;
  const router = Router();
  router.get('/health', async (_request, response) => {
    const now = performance.now();
    if (last === undefined || now - last.at > PROBED_FOR_MS || !writer.isUp) last = { at: now, health: look() };
    const health = await last.health;
    // What fails is looked at anew each time.
    if (health.reads !== 'yes' || health.writes !== 'yes') last = undefined;
    response.status(health.reads === 'no' || health.writes === 'no' ? 503 : 200).json(health);
  });

  async function look(): Promise<Health> {
    const reads = await reading.query('SELECT 1 FROM migration LIMIT 1').then(
      () => 'yes' as const,
      () => 'no' as const,
    );
    let timer: NodeJS.Timeout | undefined;
    const waited = new Promise<Health['writes']>((resolve) => {
      timer = setTimeout(() => resolve('busy'), PATIENCE_MS);
    });
    try {
      const writes = await Promise.race([writer.run('probe', null).then(() => 'yes' as const), waited]);
      return { reads, writes };
    } catch (error) {
      if (!(error instanceof HttpProblem)) log.error({ err: error }, 'the writer can’t write');
      return { reads, writes: 'no', sentence: error instanceof Error ? error.message : String(error) };
    } finally {
      clearTimeout(timer);
    }
  }
  return router;
}
