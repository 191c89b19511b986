import { LRUCache } from 'lru-cache';
import type { DeskShell, PlanSentence } from '@yarin/core';
import type { Logger } from 'pino';
import { HttpProblem } from '../http/httpProblem.js';
import type { QueryPool } from '../queries/queryPool.js';
import type { PendingSentence, Told } from './sentences.js';

const MOST_KEPT = 5000;
/** Shells that are worked out in one go, and goes of one Desk at once: somebody else's plan does not wait for all its shells. */
const IN_ONE_GO = 5;
const AT_ONCE = 2;
const FAILED = 'its plan can’t be worked out: something in one of the two courses is broken; tell your administrator';

type Said = Pick<DeskShell, 'sentence' | 'why'>;

/** The sentences of all Desks, kept by the versions of what they are worked out from. */
export class DeskSentences {
  private readonly known = new LRUCache<string, PlanSentence>({ max: MOST_KEPT });
  /** What is being worked out now; another Desk that needs it waits for the same. */
  private readonly underWay = new Map<string, Promise<Said>>();

  constructor(
    private readonly queries: QueryPool,
    private readonly log: Logger,
  ) {}

  /** By shell. */
  async of(pending: readonly PendingSentence[]): Promise<ReadonlyMap<string, Said>> {
    const waiting = [...pending];
    const said = new Map<string, Said>();
    const workOn = async (): Promise<void> => {
      for (let go = waiting.splice(0, IN_ONE_GO); go.length > 0; go = waiting.splice(0, IN_ONE_GO)) {
        this.begin(go.filter(({ key }) => !this.known.has(key) && !this.underWay.has(key)));
        const told = await Promise.all(go.map(({ key }) => this.saidOf(key)));
        for (const [at, { shellId }] of go.entries()) said.set(shellId, told[at]!);
      }
    };
    await Promise.all(Array.from({ length: AT_ONCE }, workOn));
    return said;
  }

  private saidOf(key: string): Promise<Said> {
    const sentence = this.known.get(key);
    return sentence === undefined ? this.underWay.get(key)! : Promise.resolve({ sentence, why: null });
  }

  private begin(go: readonly PendingSentence[]): void {
    if (go.length === 0) return;
    const answers = this.queries.value('deskSentences', go);
    for (const [at, { key, shellId }] of go.entries()) {
      const said = answers
        .then((told) => this.take(key, shellId, told[at]!))
        .catch((error: unknown): Said => {
          if (error instanceof HttpProblem) return { sentence: null, why: error.message };
          return this.take(key, shellId, { is: 'failed', error: String(error) });
        })
        .finally(() => this.underWay.delete(key));
      this.underWay.set(key, said);
    }
  }

  private take(key: string, shellId: string, told: Told): Said {
    if (told.is === 'refused') return { sentence: null, why: told.why };
    if (told.is === 'failed') {
      this.log.error({ error: told.error, shell: shellId }, 'a plan could not be worked out');
      return { sentence: null, why: FAILED };
    }
    this.known.set(key, told.sentence);
    return { sentence: told.sentence, why: null };
  }
}
