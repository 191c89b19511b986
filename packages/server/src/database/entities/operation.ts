import type { CourseFields, Noted, Operation, SnapshotItem } from '@yarin/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

type Sides = Partial<SnapshotItem> | CourseFields | Noted;

/** One change that a deed made; those of a deed, in their order, are its journal. */
@Entity('operation', { withoutRowid: true })
export class OperationRow {
  @PrimaryColumn({ type: 'integer', name: 'deed_id' })
  deedId!: number;

  @PrimaryColumn({ type: 'integer' })
  place!: number;

  @Column({ type: 'text' })
  op!: Operation['op'];

  /** Of the thing, in the course that was changed; else of the course. */
  @Column({ type: 'text' })
  key!: string;

  @Column({ type: 'text', name: 'from_course', nullable: true })
  fromCourse!: string | null;

  @Column({ type: 'text', name: 'from_key', nullable: true })
  fromKey!: string | null;

  @Column({ type: 'text', nullable: true })
  part!: 'place' | 'heading' | null;

  /** The thing as it stood, with its dates and links, or what of it differs. */
  @Column({ type: 'simple-json', nullable: true })
  before!: Sides | null;

  /** The same as it stands after; absent where it stands in the course itself. */
  @Column({ type: 'simple-json', nullable: true })
  after!: Sides | null;

  @Column({ type: 'simple-json', name: 'noted_before', nullable: true })
  notedBefore!: Noted | null;
}
