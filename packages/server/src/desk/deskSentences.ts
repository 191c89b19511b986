import { LRUCache } from 'lru-cache';
import type { DeskShell, PlanSentence } from '@yarin/core';
import type { Logger } from 'pino';
import { HttpProblem } from '../http/httpProblem.js';
import type { QueryPool } from '../queries/queryPool.js';
import type { PendingSentence } from './deskView.js';

const MOST_KEPT = 5000;
const FAILED = 'its plan can’t be worked out: something in one of the two courses is broken; tell your administrator';

type Said = Pick<DeskShell, 'sentence' | 'why'>;

/** The sentences of all Desks, kept by the versions of what they are worked out from. */
export class DeskSentences {
  private readonly known = new LRUCache<string, PlanSentence>({ max: MOST_KEPT });

  constructor(
    private readonly queries: QueryPool,
    private readonly log: Logger,
  ) {}

  /** By shell. One Desk leaves a thread free: somebody else's plan does not wait until all its shells are worked out. */
  async of(pending: readonly PendingSentence[]): Promise<ReadonlyMap<string, Said>> {
    const said = new Map<string, Said>();
    const waiting = [...pending];
    const work = async (): Promise<void> => {
      for (let next = waiting.shift(); next !== undefined; next = waiting.shift())
        said.set(next.shellId, await this.say(next));
    };
    await Promise.all(Array.from({ length: Math.max(1, this.queries.threads - 1) }, work));
    return said;
  }

  /** A course that can't be planned keeps its row and says why; it never takes the others with it. */
  private async say({ shellId, key, input }: PendingSentence): Promise<Said> {
    const known = this.known.get(key);
    if (known !== undefined) return { sentence: known, why: null };
    try {
      const sentence = await this.queries.value('deskSentence', input);
      this.known.set(key, sentence);
      return { sentence, why: null };
    } catch (error) {
      if (error instanceof HttpProblem) return { sentence: null, why: error.message };
      this.log.error({ err: error, shell: shellId }, 'a plan could not be worked out');
      return { sentence: null, why: FAILED };
    }
  }
}
