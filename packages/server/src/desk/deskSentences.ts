import { LRUCache } from 'lru-cache';
import type { PlanSentence, ShellSentence } from '@yarin/core';
import type { Logger } from 'pino';
import { HttpProblem } from '../http/httpProblem.js';
import type { PendingSentence, Told } from './sentences.js';

const MOST_KEPT = 5000;
const FAILED = 'its plan can’t be worked out: something in one of the two courses is broken; tell your administrator';

/** Works out what a plan says. */
export type Telling = (input: PendingSentence['input']) => Promise<Told>;

type Take = (said: ShellSentence) => void;

/**
 * The sentences of all Desks, kept by the versions of what they are worked out from. They never take the last querying thread,
 * which stays for what somebody waits for; Desks take turns, so that one with four hundred shells delays none with four.
 */
export class DeskSentences {
  private readonly known = new LRUCache<string, PlanSentence>({ max: MOST_KEPT });
  /** What is being worked out or waits for it; another Desk that needs it waits for the same. */
  private readonly underWay = new Map<string, Promise<ShellSentence>>();
  /** What waits, by the Desk that asked. */
  private readonly turns: { readonly each: PendingSentence; readonly take: Take }[][] = [];
  private working = 0;

  constructor(
    /** That work plans out. */
    private readonly threads: number,
    private readonly tell: Telling,
    private readonly log: Logger,
  ) {}

  /** Those of some shells that are known by now, by shell; the others are begun. */
  atOnce(pending: readonly PendingSentence[]): ReadonlyMap<string, ShellSentence> {
    this.asked(pending);
    return new Map(
      pending.flatMap(({ key, shellId }) => {
        const sentence = this.known.get(key);
        return sentence === undefined ? [] : [[shellId, { sentence, why: null }] as const];
      }),
    );
  }

  /** Those of some shells that are known within a time, by shell; the others go on being worked out. */
  async within(ms: number, pending: readonly PendingSentence[]): Promise<ReadonlyMap<string, ShellSentence>> {
    const said = new Map<string, ShellSentence>();
    const all = this.asked(pending).map(async ([shellId, told]) => said.set(shellId, await told));
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise((resolve) => (timer = setTimeout(resolve, ms)));
    await Promise.race([Promise.all(all), late]);
    clearTimeout(timer);
    return new Map(said);
  }

  private asked(pending: readonly PendingSentence[]): [shellId: string, told: Promise<ShellSentence>][] {
    const turn: (typeof this.turns)[number] = [];
    const asked = pending.map((each): [string, Promise<ShellSentence>] => {
      const sentence = this.known.get(each.key);
      if (sentence !== undefined) return [each.shellId, Promise.resolve({ sentence, why: null })];
      let told = this.underWay.get(each.key);
      if (told === undefined) {
        told = new Promise((take) => turn.push({ each, take }));
        this.underWay.set(each.key, told);
      }
      return [each.shellId, told];
    });
    if (turn.length > 0) this.turns.push(turn);
    this.goOn();
    return asked;
  }

  private goOn(): void {
    while (this.turns.length > 0 && this.working < Math.max(1, this.threads - 1)) {
      const turn = this.turns.shift()!;
      const { each, take } = turn.shift()!;
      if (turn.length > 0) this.turns.push(turn);
      this.working++;
      void this.workOut(each).then((said) => {
        this.underWay.delete(each.key);
        this.working--;
        take(said);
        this.goOn();
      });
    }
  }

  private async workOut({ key, shellId, input }: PendingSentence): Promise<ShellSentence> {
    const told = await this.tell(input).catch((error: unknown): Told =>
      error instanceof HttpProblem ? { is: 'refused', why: error.message } : { is: 'failed', error: String(error) },
    );
    if (told.is === 'refused') return { sentence: null, why: told.why };
    if (told.is === 'failed') {
      this.log.error({ error: told.error, shell: shellId }, 'a plan could not be worked out');
      return { sentence: null, why: FAILED };
    }
    this.known.set(key, told.sentence);
    return { sentence: told.sentence, why: null };
  }
}
