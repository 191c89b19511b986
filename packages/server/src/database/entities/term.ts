import type { Calendar } from '@yarin/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

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

  @Column({ type: 'simple-json' })
  calendar!: Calendar;
}
