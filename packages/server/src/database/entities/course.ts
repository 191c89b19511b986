import type { CalendarAdditions, Meeting, StaffRole } from '@yarin/core';
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

  /** The part of the term that it runs in, when it does not run for the whole of it. */
  @Column({ type: 'text', name: 'part_id', nullable: true })
  partId!: string | null;

  /** Days that are closed or run otherwise for this course alone. */
  @Column({ type: 'simple-json', name: 'calendar_additions', nullable: true })
  calendarAdditions!: CalendarAdditions | null;

  @Index('course_type')
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

  @Index('course_department')
  @Column({ type: 'text', nullable: true })
  department!: string | null;

  /** Its instructor lets everybody use it as a source. */
  @Index('course_open_for_reuse')
  @Column({ type: 'boolean', name: 'open_for_reuse', default: false })
  openForReuse!: boolean;

  /** The registrar took the section off. */
  @Column({ type: 'boolean', default: false })
  cancelled!: boolean;

  /** Who made it by hand; courses of the roster have nobody here. */
  @Column({ type: 'text', name: 'made_by', nullable: true })
  madeBy!: string | null;

  /** The course's own first and last day; the term's when it has none. */
  @Column({ type: 'text', name: 'starts_on', nullable: true })
  startsOn!: string | null;

  @Column({ type: 'text', name: 'ends_on', nullable: true })
  endsOn!: string | null;

  /** Its row in the find index; later terms have higher numbers, so that they come first. */
  @Index('course_find_id', { unique: true })
  @Column({ type: 'integer', name: 'find_id', nullable: true })
  findId!: number | null;
}

/** A word of letters that some course is found by, for those who mistype one. */
@Entity('find_word')
export class FindWordRow {
  @PrimaryColumn({ type: 'text' })
  word!: string;
}

@Entity('course_staff')
export class CourseStaffRow {
  @PrimaryColumn({ type: 'text', name: 'course_id' })
  courseId!: string;

  @Index('course_staff_person')
  @PrimaryColumn({ type: 'text', name: 'person_id' })
  personId!: string;

  @Column({ type: 'text' })
  role!: StaffRole;
}
