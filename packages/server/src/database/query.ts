import type { EntityManager } from 'typeorm';

/**
 * What a query is worked out with: a connection that can only read, and what its thread keeps by the versions of courses.
 *
 * @typeParam Grounds  what is kept; most queries need nothing of it
 */
export interface QueryContext<Grounds = unknown> {
  readonly manager: EntityManager;
  readonly grounds: Grounds;
}

/**
 * What is too heavy for the thread that answers. It runs in a thread of the pool; input and output go by value, and it checks
 * itself who asks.
 */
export type Query<Input, Output, Grounds = unknown> = (context: QueryContext<Grounds>, input: Input) => Promise<Output>;
