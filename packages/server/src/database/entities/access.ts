import type { Wanted } from '@yarin/core';
import { Column, Entity, Index, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';

/** Somebody asked to be let into a course, or was let in unasked; one that was granted is what lets them in. */
@Entity('access_ask')
@Index('access_ask_course', ['courseId', 'personId'])
export class AccessAskRow {
  @PrimaryColumn({ type: 'text' })
  id!: string;

  @Column({ type: 'text', name: 'course_id' })
  courseId!: string;

  @Index('access_ask_person')
  @Column({ type: 'text', name: 'person_id' })
  personId!: string;

  @Column({ type: 'text' })
  wants!: Wanted;

  @Column({ type: 'text' })
  words!: string;

  /** The owner let them in without being asked. */
  @Column({ type: 'boolean', default: false })
  unasked!: boolean;

  @Column({ type: 'text', name: 'asked_at' })
  askedAt!: string;

  @Column({ type: 'text', nullable: true })
  answer!: 'granted' | 'refused' | 'withdrawn' | null;

  @Column({ type: 'text', name: 'answered_by', nullable: true })
  answeredBy!: string | null;

  @Column({ type: 'text', name: 'answered_at', nullable: true })
  answeredAt!: string | null;

  @Column({ type: 'text', name: 'answer_words' })
  answerWords!: string;
}

/** What somebody did to a course, and for whom; what it changed stands in `operation`. */
@Entity('deed')
@Index('deed_course', ['courseId', 'id'])
@Index('deed_run', ['runId'])
@Index('deed_takes_back', ['takesBack'])
export class DeedRow {
  @PrimaryGeneratedColumn({ type: 'integer' })
  id!: number;

  @Column({ type: 'text', name: 'course_id' })
  courseId!: string;

  @Column({ type: 'text' })
  at!: string;

  @Column({ type: 'text', name: 'person_id' })
  personId!: string;

  @Column({ type: 'text', name: 'for_person_id', nullable: true })
  forPersonId!: string | null;

  @Column({ type: 'text' })
  what!: string;

  @Column({ type: 'text', name: 'item_key', nullable: true })
  itemKey!: string | null;

  /** The run that it was. */
  @Column({ type: 'text', name: 'run_id', nullable: true })
  runId!: string | null;

  /** The deed that it took back, whole or in part. */
  @Column({ type: 'integer', name: 'takes_back', nullable: true })
  takesBack!: number | null;

  /** The deed that took it back whole. */
  @Column({ type: 'integer', name: 'undone_by', nullable: true })
  undoneBy!: number | null;

  /** A plan moved dates of what it had brought. */
  @Column({ type: 'boolean', name: 'is_fix', default: false })
  isFix!: boolean;
}
