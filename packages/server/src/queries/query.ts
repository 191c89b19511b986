import type { EntityManager } from 'typeorm';
import type { Asker } from '../people/asker.js';
import type { PlanGrounds } from '../plans/planGrounds.js';

/** What a query is worked out with: a connection that can only read, and what its thread keeps by the versions of courses. */
export interface QueryContext {
  readonly manager: EntityManager;
  readonly grounds: PlanGrounds;
}

/**
 * What is too heavy for the thread that answers. It runs in a thread of the pool; input and output go by value, and it checks
 * itself who asks.
 */
export type Query<Input, Output> = (context: QueryContext, input: Input) => Promise<Output>;

/** Who asks for what of which course, and when. */
export interface AskedCourse {
  readonly person: Asker;
  readonly courseId: string;
  readonly now: string;
}
