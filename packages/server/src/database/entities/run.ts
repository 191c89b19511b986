import type { CourseTime, Decisions, PlanPolicy, PlanScope, RunCounts } from '@yarin/core';
import { Column, Entity, Index, PrimaryColumn } from 'typeorm';

/** Every source of a plan or run, the one that goes before the others first. */
export const sourcesOf = ({ sourceId, furtherSources }: Pick<PlanRow, 'sourceId' | 'furtherSources'>): string[] => [
  sourceId,
  ...furtherSources,
];

/** A rollover being prepared. It stores decisions; what they lead to is computed. */
@Entity('plan')
@Index('plan_pair', ['sourceId', 'destinationId', 'scope'], { unique: true })
@Index('plan_destination', ['destinationId'])
export class PlanRow {
  @PrimaryColumn({ type: 'text' })
  id!: string;

  /** The source that goes before the others. */
  @Column({ type: 'text', name: 'source_id' })
  sourceId!: string;

  /** Courses that it brings from too, in their order. */
  @Column({ type: 'simple-json', name: 'further_sources', default: '[]' })
  furtherSources!: string[];

  @Column({ type: 'text', name: 'destination_id' })
  destinationId!: string;

  /** The whole course, or its gradebook set-up by itself. */
  @Column({ type: 'text', default: 'course' })
  scope!: PlanScope;

  @Column({ type: 'text', name: 'person_id' })
  personId!: string;

  @Column({ type: 'simple-json' })
  decisions!: Decisions;

  /** Counts up with every saved decision, so that two people do not overwrite each other. */
  @Column({ type: 'integer' })
  version!: number;

  @Column({ type: 'text', name: 'changed_at' })
  changedAt!: string;

  /** By course: the calendar and class days that a person last saw the plan with. */
  @Column({ type: 'simple-json', name: 'seen_times', nullable: true })
  seenTimes!: Record<string, CourseTime> | null;

  /** Its place among the plans into the same shell: the first source comes first. */
  @Column({ type: 'integer', default: 1 })
  place!: number;
}

/** A plan carried out; what it did, by which it can be taken back, stands in `operation`. */
@Entity('run')
@Index('run_destination', ['destinationId'])
@Index('run_number', ['number'])
export class RunRow {
  @PrimaryColumn({ type: 'text' })
  id!: string;

  @Column({ type: 'text', name: 'plan_id' })
  planId!: string;

  @Column({ type: 'text', name: 'source_id' })
  sourceId!: string;

  @Column({ type: 'simple-json', name: 'further_sources', default: '[]' })
  furtherSources!: string[];

  @Column({ type: 'text', name: 'destination_id' })
  destinationId!: string;

  @Column({ type: 'text', name: 'person_id' })
  personId!: string;

  @Column({ type: 'text' })
  at!: string;

  @Column({ type: 'simple-json' })
  policy!: PlanPolicy;

  @Column({ type: 'simple-json' })
  counts!: RunCounts;

  /** Runs are numbered as they happen; two of them can fall into one minute. */
  @Column({ type: 'integer', default: 0 })
  number!: number;

  @Column({ type: 'text', name: 'undone_at', nullable: true })
  undoneAt!: string | null;

  @Column({ type: 'text', name: 'undone_by', nullable: true })
  undoneBy!: string | null;

  /** Whom an administrator acted for. */
  @Column({ type: 'text', name: 'for_person_id', nullable: true })
  forPersonId!: string | null;
}

/** Where an item of a course came from, by which run, and what both said then. */
@Entity('lineage')
export class LineageRow {
  @PrimaryColumn({ type: 'text', name: 'course_id' })
  courseId!: string;

  @PrimaryColumn({ type: 'text', name: 'source_course_id' })
  sourceCourseId!: string;

  @PrimaryColumn({ type: 'text', name: 'source_key' })
  sourceKey!: string;

  @Column({ type: 'text', name: 'item_key' })
  itemKey!: string;

  @Index('lineage_run')
  @Column({ type: 'text', name: 'run_id' })
  runId!: string;

  @Column({ type: 'text', name: 'source_hash' })
  sourceHash!: string;

  @Column({ type: 'text', name: 'landed_hash' })
  landedHash!: string;

  /** The version that the item had then; another one means that a person touched it since. */
  @Column({ type: 'integer', name: 'landed_version', default: 1 })
  landedVersion!: number;
}
