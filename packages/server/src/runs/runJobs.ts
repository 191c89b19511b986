import { randomUUID } from 'node:crypto';
import { EventEmitter } from 'node:events';
import type { BringOutcome, JobState, ProblemDetails, RunUnderWay } from '@yarin/core';
import type { Logger } from 'pino';
import { conflict, HttpProblem } from '../http/httpProblem.js';
import type { BringInput } from './bring.js';

/** Brings what a plan says, and says how far it is: 0 to 1. */
export type Bringing = (input: BringInput, progress: (share: number) => void) => Promise<BringOutcome>;

/** Into which shell a run goes, and who pressed: “Ines Marant”. */
interface RunOf {
  readonly destinationId: string;
  readonly by: string;
}

interface Job extends RunOf {
  readonly planId: string;
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
    private readonly bring: Bringing,
    private readonly log: Logger,
  ) {
    this.changes.setMaxListeners(0);
  }

  /**
   * Starts a run, or hands back the one of the same plan that is under way.
   *
   * @param known   what was worked out before and is taken over; whoever presses meanwhile joins already
   * @throws when another plan is being brought into the same shell, and what `known` throws
   */
  async start(
    plan: Omit<BringInput, 'runId' | 'known'>,
    of: RunOf,
    known: () => Promise<BringInput['known']>,
  ): Promise<{ readonly id: string; readonly joined: boolean }> {
    for (const [id, { planId, destinationId, by, state }] of this.jobs) {
      if (destinationId !== of.destinationId || state.is !== 'running') continue;
      if (planId === plan.planId) return { id, joined: true };
      throw conflict(
        `${by} is bringing another plan into this shell, and that goes first. Nothing of yours was brought; look again when it is done.`,
      );
    }
    const id = randomUUID();
    this.jobs.set(id, { ...of, planId: plan.planId, state: { is: 'running', share: 0 } });
    try {
      const input = { ...plan, runId: id, known: await known() };
      this.bring(input, (share) => this.change(id, { is: 'running', share }))
        .then((outcome) => this.change(id, { is: 'done', outcome }))
        .catch((error: unknown) => this.fail(id, error));
      return { id, joined: false };
    } catch (error) {
      this.fail(id, error);
      throw error;
    }
  }

  private fail(id: string, error: unknown): void {
    if (!(error instanceof HttpProblem)) this.log.error({ err: error }, 'a run failed');
    this.change(id, { is: 'failed', problem: error instanceof HttpProblem ? error.details : FAILED });
  }

  /** The run that is under way into a shell. */
  runningInto(destinationId: string): RunUnderWay | undefined {
    for (const { planId, destinationId: into, by, state } of this.jobs.values())
      if (into === destinationId && state.is === 'running') return { planId, by, share: state.share };
    return undefined;
  }

  /** The plan whose run this is, while it is known. */
  planOf(id: string): string | undefined {
    return this.jobs.get(id)?.planId;
  }

  private state(id: string): JobState | undefined {
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
