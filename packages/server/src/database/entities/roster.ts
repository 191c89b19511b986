import type { RosterReport } from '@yarin/core';
import { Column, Entity, Index, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';

/** An earlier code of a course, as the roster names it. */
@Entity('former_code')
export class FormerCodeRow {
  @PrimaryColumn({ type: 'text' })
  code!: string;

  @PrimaryColumn({ type: 'text' })
  number!: string;

  @PrimaryColumn({ type: 'text', name: 'was_code' })
  wasCode!: string;

  @PrimaryColumn({ type: 'text', name: 'was_number' })
  wasNumber!: string;
}

/** Something the roster changed that touches a course or a plan. */
@Entity('roster_notice')
export class RosterNoticeRow {
  @PrimaryGeneratedColumn({ type: 'integer' })
  id!: number;

  @Index('roster_notice_course')
  @Column({ type: 'text', name: 'course_id' })
  courseId!: string;

  @Column({ type: 'text' })
  at!: string;

  @Column({ type: 'text' })
  sentence!: string;
}

/** What loading a roster did. */
@Entity('roster_load')
export class RosterLoadRow {
  @PrimaryGeneratedColumn({ type: 'integer' })
  id!: number;

  @Column({ type: 'simple-json' })
  report!: RosterReport;
}
