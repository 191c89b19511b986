import { LRUCache } from 'lru-cache';
import {
  previewPlan,
  reviewPlan,
  textHash,
  type CourseSummary,
  type Decisions,
  type Preview,
  type Review,
} from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { termsVersion } from '../calendars/calendarStore.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import { groundOn, inputOn, orRefuse, readSides, type PairGround } from './workedPlan.js';

const MOST_GROUNDS = 100;

export type Side = Pick<CourseSummary, 'id' | 'version' | 'department'>;
export type Worked = Preview & Review;

/** Keeps what is costly to compute, by the versions of both courses: the sides with their findings. One a thread. */
export class PlanGrounds {
  private readonly known = new LRUCache<string, Promise<PairGround>>({ max: MOST_GROUNDS });

  constructor(private readonly manager: EntityManager) {}

  /** Of each source of a plan; computed once, also when several ask at the same time. A failure is not kept. */
  async grounds(sources: readonly Side[], shell: Side): Promise<PairGround[]> {
    const ids = sources.map(({ id }) => id);
    const terms = await termsVersion(this.manager);
    return Promise.all(sources.map((source) => this.ground(source, shell, ids, terms)));
  }

  private ground(source: Side, shell: Side, ids: readonly string[], terms: string): Promise<PairGround> {
    const key = `${keyOf(source, shell)} ${terms} ${ids.length > 1 ? ids.join(' ') : ''}`;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const ground = readSides(this.manager, source.id, shell.id).then((sides) => groundOn(this.manager, sides, ids));
    this.known.set(key, ground);
    ground.catch(() => this.known.delete(key));
    return ground;
  }

  /** The plan worked out. */
  async workOut(sources: readonly Side[], shell: Side, decisions: Decisions | undefined, now: string): Promise<Worked> {
    const standing = await standingRecipe(this.manager, shell.department);
    const input = inputOn(await this.grounds(sources, shell), decisions, now, standing);
    const preview = orRefuse(previewPlan(input));
    return { ...preview, ...reviewPlan(input, preview) };
  }
}

/** Names what a plan is computed from beside its decisions; another name, and something of it changed. */
export async function standingOf(manager: EntityManager, sources: readonly Side[], shell: Side): Promise<string> {
  const recipe = await standingRecipe(manager, shell.department);
  const terms = await termsVersion(manager);
  const versions = sources.map((source) => keyOf(source, shell)).join(' ');
  return textHash([versions, terms, recipe === undefined ? '' : JSON.stringify(recipe)].join('\n'));
}

const keyOf = (source: Side, shell: Side): string => `${source.id}@${source.version} ${shell.id}@${shell.version}`;
