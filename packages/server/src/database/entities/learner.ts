import type { LearnerSort } from '@yarin/core';
import { Column, Entity, Index, PrimaryGeneratedColumn } from 'typeorm';

/** Something that belongs to a learner. No run reads or writes this table but to prove the zeros. */
@Entity('learner_record')
@Index('learner_record_course', ['courseId', 'sort'])
export class LearnerRecordRow {
  @PrimaryGeneratedColumn({ type: 'integer' })
  id!: number;

  @Column({ type: 'text', name: 'course_id' })
  courseId!: string;

  @Column({ type: 'text' })
  sort!: LearnerSort;

  @Column({ type: 'text', name: 'item_key', nullable: true })
  itemKey!: string | null;

  @Column({ type: 'text', name: 'learner_id' })
  learnerId!: string;

  @Column({ type: 'text' })
  at!: string;

  /** What was handed in, answered, marked or noted, in words. */
  @Column({ type: 'text', default: '' })
  says!: string;
}
