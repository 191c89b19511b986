import type { EntityManager } from 'typeorm';

/** What a command has at hand: the transaction it runs in, and a way to say how far it is. */
export interface WriteContext {
  readonly manager: EntityManager;
  readonly dataFolder: string;
  /** @param share  0 to 1 */
  readonly progress: (share: number) => void;
}

/** A write. It runs alone, in one transaction: all of it happens, or nothing. Its input and output can be cloned. */
export type Command<Input, Output> = (context: WriteContext, input: Input) => Promise<Output>;
