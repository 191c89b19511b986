import type { Meeting } from '@yarin/core';
import { Column, Entity, Index, PrimaryColumn } from 'typeorm';

@Entity('course')
export class CourseRow {
  @PrimaryColumn({ type: 'text' })
  id!: string;

  @Column({ type: 'text' })
  code!: string;

  @Column({ type: 'text' })
  number!: string;

  @Column({ type: 'text' })
  section!: string;

  @Column({ type: 'text' })
  title!: string;

  @Index('course_term')
  @Column({ type: 'text', name: 'term_id' })
  termId!: string;

  @Column({ type: 'text' })
  type!: 'course' | 'development' | 'template';

  @Column({ type: 'text', nullable: true })
  mode!: string | null;

  @Column({ type: 'text', nullable: true })
  campus!: string | null;

  @Column({ type: 'text', nullable: true })
  room!: string | null;

  @Column({ type: 'text' })
  locale!: string;

  @Column({ type: 'boolean', name: 'open_to_learners' })
  openToLearners!: boolean;

  @Column({ type: 'boolean' })
  archived!: boolean;

  @Column({ type: 'simple-json' })
  meetings!: Meeting[];

  /** Counts up with every write to the course; what is computed from it is kept by this number. */
  @Column({ type: 'integer' })
  version!: number;

  /** Code, number, section, title and term as they are searched: lower case, without spaces and signs. */
  @Column({ type: 'text', name: 'search_text' })
  searchText!: string;
}

@Entity('course_staff')
export class CourseStaffRow {
  @PrimaryColumn({ type: 'text', name: 'course_id' })
  courseId!: string;

  @Index('course_staff_person')
  @PrimaryColumn({ type: 'text', name: 'person_id' })
  personId!: string;

  @Column({ type: 'text' })
  role!: 'instructor' | 'assistant';
}
