import type { ItemState, Kind, LinkType, Mark, Role } from '@yarin/core';
import { Column, Entity, Index, PrimaryColumn } from 'typeorm';

/** A thing in a course. Its key survives copying: the same key stands in every course that it was brought into. */
@Entity('item')
@Index('item_edited', ['courseId', 'editedAt'])
export class ItemRow {
  @PrimaryColumn({ type: 'text', name: 'course_id' })
  courseId!: string;

  @PrimaryColumn({ type: 'text' })
  key!: string;

  @Column({ type: 'text' })
  kind!: Kind;

  @Column({ type: 'text' })
  title!: string;

  @Column({ type: 'text', name: 'body_hash', nullable: true })
  bodyHash!: string | null;

  @Column({ type: 'text', name: 'parent_key', nullable: true })
  parentKey!: string | null;

  @Column({ type: 'real', nullable: true })
  position!: number | null;

  @Column({ type: 'text' })
  state!: ItemState;

  @Column({ type: 'text', name: 'state_before', nullable: true })
  stateBefore!: ItemState | null;

  @Column({ type: 'boolean', name: 'ever_open', nullable: true })
  everOpen!: boolean | null;

  @Column({ type: 'real', nullable: true })
  points!: number | null;

  @Column({ type: 'simple-json', nullable: true })
  details!: Record<string, unknown> | null;

  @Column({ type: 'text', name: 'content_hash' })
  contentHash!: string;

  @Column({ type: 'text', name: 'edited_at', nullable: true })
  editedAt!: string | null;

  /** Counts up with every edit, so that two people do not overwrite each other. */
  @Column({ type: 'integer', default: 1 })
  version!: number;

  @Column({ type: 'text', name: 'edited_by', nullable: true })
  editedBy!: string | null;
}

/** A second key of an item: of what it took the place of, so that addresses in bodies still find it. */
@Entity('item_alias')
export class ItemAliasRow {
  @PrimaryColumn({ type: 'text', name: 'course_id' })
  courseId!: string;

  @PrimaryColumn({ type: 'text' })
  alias!: string;

  @Column({ type: 'text' })
  key!: string;
}

@Entity('item_link')
export class ItemLinkRow {
  @PrimaryColumn({ type: 'text', name: 'course_id' })
  courseId!: string;

  @PrimaryColumn({ type: 'text', name: 'from_key' })
  fromKey!: string;

  @PrimaryColumn({ type: 'integer' })
  place!: number;

  @Column({ type: 'text' })
  type!: LinkType;

  @Column({ type: 'text', name: 'to_key' })
  toKey!: string;

  @Column({ type: 'integer', nullable: true })
  quantity!: number | null;

  @Column({ type: 'text', name: 'other_course', nullable: true })
  otherCourse!: string | null;
}

@Entity('moment')
@Index('moment_item', ['courseId', 'itemKey'])
export class MomentRow {
  @PrimaryColumn({ type: 'text', name: 'course_id' })
  courseId!: string;

  @PrimaryColumn({ type: 'text' })
  key!: string;

  @Column({ type: 'text', name: 'item_key' })
  itemKey!: string;

  @Column({ type: 'text' })
  role!: Role;

  @Column({ type: 'text' })
  at!: string;

  @Column({ type: 'text', name: 'for_whom', nullable: true })
  forWhom!: string | null;

  @Column({ type: 'text', nullable: true })
  series!: string | null;
}

/** A text, stored once under its hash. */
@Entity('body')
export class BodyRow {
  @PrimaryColumn({ type: 'text' })
  hash!: string;

  @Column({ type: 'text' })
  text!: string;
}

/** What a person noted beside an item for next term; the item itself stays as it is. */
@Entity('mark')
export class MarkRow {
  @PrimaryColumn({ type: 'text', name: 'course_id' })
  courseId!: string;

  @PrimaryColumn({ type: 'text', name: 'item_key' })
  itemKey!: string;

  @Column({ type: 'text', nullable: true })
  mark!: NonNullable<Mark['mark']> | null;

  @Column({ type: 'text', nullable: true })
  note!: string | null;

  @Column({ type: 'text', name: 'person_id', nullable: true })
  personId!: string | null;

  @Column({ type: 'text', nullable: true })
  at!: string | null;
}
