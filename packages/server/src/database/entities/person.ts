import type { DateStyle, PersonRole } from '@yarin/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('person')
export class PersonRow {
  @PrimaryColumn({ type: 'text' })
  id!: string;

  @Column({ type: 'text', name: 'given_name' })
  givenName!: string;

  @Column({ type: 'text', name: 'family_name' })
  familyName!: string;

  @Column({ type: 'text' })
  email!: string;

  @Column({ type: 'text' })
  role!: PersonRole;

  /** The department that an administrator is limited to; none is the whole institution. */
  @Column({ type: 'text', nullable: true })
  department!: string | null;

  /** How they read dates; none is the usual way. */
  @Column({ type: 'simple-json', name: 'date_style', nullable: true })
  dateStyle!: DateStyle | null;
}
