import type { Calendar } from '@yarin/core';
import { Column, Entity, Index, PrimaryColumn } from 'typeorm';

@Entity('term')
export class TermRow {
  @PrimaryColumn({ type: 'text' })
  id!: string;

  @Column({ type: 'text' })
  name!: string;

  @Column({ type: 'text', name: 'first_day' })
  firstDay!: string;

  @Column({ type: 'text', name: 'last_day' })
  lastDay!: string;

  /** What is set for it alone; of a part, what it inherits is not in it. */
  @Column({ type: 'simple-json' })
  calendar!: Calendar;

  /** The term that it is a part of. */
  @Index('term_parent')
  @Column({ type: 'text', name: 'parent_id', nullable: true })
  parentId!: string | null;

  /** Counts up with every change of the calendar. */
  @Column({ type: 'integer', default: 1 })
  version!: number;
}
