import type { Noted, Operation, SnapshotItem } from '@yarin/core';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** One change that a run made; those of a run, in their order, are its journal. */
@Entity('operation', { withoutRowid: true })
export class OperationRow {
  @PrimaryColumn({ type: 'text', name: 'run_id' })
  runId!: string;

  @PrimaryColumn({ type: 'integer' })
  place!: number;

  @Column({ type: 'text' })
  op!: Operation['op'];

  /** Of the thing, in the course that the run went into. */
  @Column({ type: 'text' })
  key!: string;

  @Column({ type: 'text', name: 'from_course', nullable: true })
  fromCourse!: string | null;

  @Column({ type: 'text', name: 'from_key', nullable: true })
  fromKey!: string | null;

  @Column({ type: 'text', nullable: true })
  part!: 'place' | 'heading' | null;

  /** The thing as it stood, with its dates and links. */
  @Column({ type: 'simple-json', nullable: true })
  before!: SnapshotItem | null;

  @Column({ type: 'simple-json', name: 'noted_before', nullable: true })
  notedBefore!: Noted | null;
}
