import { randomUUID } from 'node:crypto';
import { EventEmitter } from 'node:events';
import type { JobState, ProblemDetails } from '@yarin/core';
import type { Logger } from 'pino';
import { HttpProblem } from '../http/httpProblem.js';
import type { Writer } from '../writer/writer.js';
import type { BringInput } from './bring.js';

interface Job {
  readonly destinationId: string;
  state: JobState;
}

const FAILED: ProblemDetails = {
  type: 'urn:yarin:failed',
  title: 'Something failed in Yarin',
  status: 500,
  detail: 'The run failed. Nothing was written; the shell is as it was. Try again.',
};
const KEPT_MS = 10 * 60 * 1000;

/** Runs under way and just ended, so that they can be watched from any page. */
export class RunJobs {
  private readonly jobs = new Map<string, Job>();
  private readonly changes = new EventEmitter({ captureRejections: false });

  constructor(
    private readonly writer: Writer,
    private readonly log: Logger,
  ) {
    this.changes.setMaxListeners(0);
  }

  /** Starts a run, or hands back the one that is under way on the same shell. */
  start(plan: Omit<BringInput, 'runId'>, destinationId: string): { readonly id: string; readonly joined: boolean } {
    for (const [id, job] of this.jobs)
      if (job.destinationId === destinationId && job.state.is === 'running') return { id, joined: true };
    const id = randomUUID();
    this.jobs.set(id, { destinationId, state: { is: 'running', share: 0 } });
    this.writer
      .run('bring', { ...plan, runId: id }, (share) => this.change(id, { is: 'running', share }))
      .then((outcome) => this.change(id, { is: 'done', outcome }))
      .catch((error: unknown) => {
        if (!(error instanceof HttpProblem)) this.log.error({ err: error }, 'a run failed');
        this.change(id, { is: 'failed', problem: error instanceof HttpProblem ? error.details : FAILED });
      });
    return { id, joined: false };
  }

  state(id: string): JobState | undefined {
    return this.jobs.get(id)?.state;
  }

  /** Calls back with the state now and at every change, until the returned function is called. */
  watch(id: string, listener: (state: JobState) => void): () => void {
    this.changes.on(id, listener);
    const state = this.state(id);
    if (state !== undefined) listener(state);
    return () => this.changes.off(id, listener);
  }

  private change(id: string, state: JobState): void {
    const job = this.jobs.get(id);
    if (job === undefined) return;
    job.state = state;
    this.changes.emit(id, state);
    if (state.is !== 'running') setTimeout(() => this.jobs.delete(id), KEPT_MS).unref();
  }
}
