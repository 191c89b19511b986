import { LRUCache } from 'lru-cache';
import {
  previewPlan,
  reviewPlan,
  suggestPlanPolicy,
  textHash,
  type CourseSummary,
  type Decisions,
  type Finding,
  type PlanPolicy,
  type PolicySuggestion,
  type Preview,
  type Review,
  type Snapshot,
  type StandingRecipe,
  type ViewedSource,
} from '@yarin/core';
import type { Query, QueryContext } from '../database/query.js';
import type { EntityManager } from 'typeorm';
import { termsVersion } from '../terms/termStore.js';
import { standingRecipe } from '../recipes/recipeStore.js';
import { KeptByVersion } from './keptByVersion.js';
import { groundOn, inputOn, orRefuse, readCourse, readSides, viewedSource, type PairGround } from './workedPlan.js';

/** What follows from a source and the shell alone, with the versions of both that it holds for. */
export interface KnownOfPair {
  readonly sourceVersion: number;
  readonly shellVersion: number;
  readonly findings: readonly Finding[];
  readonly policy: PlanPolicy;
}

/** A query that works plans out. */
export type PlanQuery<Input, Output> = Query<Input, Output, PlanGrounds>;
export type PlanContext = QueryContext<PlanGrounds>;

const MOST_GROUNDS = 40;
const MOST_SOURCES = 40;
const MOST_SUGGESTIONS = 200;

/** A source as it stands, with what was found in it by itself for each day that weeks may start on. */
interface KnownSource {
  readonly snapshot: Snapshot;
  readonly viewed: Map<number | undefined, Promise<ViewedSource>>;
}

export type Side = Pick<CourseSummary, 'id' | 'version' | 'department'>;
export type Worked = Preview & Review;

/** Keeps what is costly to compute, by the versions of both courses: the sides with their findings. One a thread. */
export class PlanGrounds {
  private readonly pairs = new KeptByVersion<PairGround>(MOST_GROUNDS);
  private readonly suggestions = new LRUCache<string, PolicySuggestion>({ max: MOST_SUGGESTIONS });
  private readonly courses = new KeptByVersion<KnownSource>(MOST_SOURCES);

  constructor(private readonly manager: EntityManager) {}

  /** Of each source of a plan; computed once, also when several ask at the same time. A failure is not kept. */
  async grounds(sources: readonly Side[], shell: Side): Promise<PairGround[]> {
    const ids = sources.map(({ id }) => id);
    const terms = await termsVersion(this.manager);
    return Promise.all(sources.map((source) => this.ground(source, shell, ids, terms)));
  }

  private ground(source: Side, shell: Side, ids: readonly string[], terms: number): Promise<PairGround> {
    return this.pairs.get(
      `${source.id} ${shell.id} ${ids.length > 1 ? ids.join(' ') : ''}`,
      `${source.version} ${shell.version} ${terms}`,
      () => this.workOutGround(source, shell, ids, terms),
    );
  }

  private async workOutGround(source: Side, shell: Side, ids: readonly string[], terms: number): Promise<PairGround> {
    const { snapshot, viewed } = await this.source(source, terms);
    const sides = await readSides(this.manager, snapshot, shell.id);
    const { weekStartsOn } = sides.shell.calendar;
    let view = viewed.get(weekStartsOn);
    if (view === undefined) viewed.set(weekStartsOn, (view = viewedSource(this.manager, snapshot, weekStartsOn)));
    return groundOn(this.manager, sides, ids, await view);
  }

  private source({ id, version }: Side, terms: number): Promise<KnownSource> {
    return this.courses.get(id, `${version} ${terms}`, async () => ({
      snapshot: await readCourse(this.manager, id),
      viewed: new Map(),
    }));
  }

  /** What other rules would do to the dates of a ground; the same for every shell that runs alike and finds the same. */
  suggestion({ source, shell, findings }: PairGround, { version }: Side): PolicySuggestion {
    const { calendar, meetings } = shell;
    const key = textHash(JSON.stringify([source.course.id, version, source.calendar, calendar, meetings, findings]));
    let suggestion = this.suggestions.get(key);
    if (suggestion === undefined)
      this.suggestions.set(key, (suggestion = orRefuse(suggestPlanPolicy(source, shell, findings))));
    return suggestion;
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
export const standingOf = async (manager: EntityManager, sources: readonly Side[], shell: Side): Promise<string> =>
  standingName(sources, shell, await termsVersion(manager), await standingRecipe(manager, shell.department));

/** The same, where the version of all terms and the recipe that stands for the shell are known. */
export function standingName(
  sources: readonly Side[],
  shell: Side,
  terms: number,
  recipe: StandingRecipe | undefined,
): string {
  const versions = sources.map((source) => keyOf(source, shell)).join(' ');
  return textHash([versions, terms, recipe === undefined ? '' : JSON.stringify(recipe)].join('\n'));
}

const keyOf = (source: Side, shell: Side): string => `${source.id}@${source.version} ${shell.id}@${shell.version}`;
