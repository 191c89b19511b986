import { workerData } from 'node:worker_threads';
import type { ProblemDetails } from '@yarin/core';
import { move } from 'piscina';
import { openForReading } from '../database/driver.js';
import { HttpProblem } from '../http/httpProblem.js';
import { PlanGrounds } from '../plans/planGrounds.js';
import { giveWay } from '../threads/giveWay.js';
import type { Begun } from '../threads/threadPool.js';
import { QUERIES, type QueryName } from '../queries.js';
import type { Query } from '../database/query.js';

export interface QueryTask extends Begun {
  readonly name: QueryName;
  readonly input: unknown;
  /** As JSON in bytes, which the answering thread passes on as they are. */
  readonly isJson: boolean;
}

/** What came of a task that did not fail; bytes are JSON. */
export type QueryAnswer =
  | Uint8Array
  | { readonly is: 'value'; readonly value: unknown }
  | { readonly is: 'refused'; readonly problem: ProblemDetails };

/** What a thread of the pool is told. */
export interface QueryThreadData {
  readonly dataFolder: string;
  /** Whether threads that answer, read or write go first. */
  readonly givesWay: boolean;
}

const { dataFolder, givesWay } = workerData as QueryThreadData;
if (givesWay) giveWay();
const { manager } = await openForReading(dataFolder);
const grounds = new PlanGrounds(manager);
const utf8 = new TextEncoder();

/** Runs in a thread of the pool. */
export async function answer({ name, input, isJson, begun }: QueryTask): Promise<QueryAnswer> {
  begun.postMessage(null);
  try {
    const value = await (QUERIES[name] as Query<unknown, unknown>)({ manager, grounds }, input);
    if (!isJson) return { is: 'value', value };
    return move(utf8.encode(JSON.stringify(value))) as Uint8Array;
  } catch (error) {
    if (error instanceof HttpProblem) return { is: 'refused', problem: error.details };
    throw error;
  }
}
