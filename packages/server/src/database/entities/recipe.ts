import type { RecipeChoices, RecipeKnows, RecipeScope } from '@yarin/core';
import { Column, Entity, Index, PrimaryColumn } from 'typeorm';

/** Choices saved by rule, to be applied to another course. */
@Entity('recipe')
@Index('recipe_person', ['personId'])
export class RecipeRow {
  @PrimaryColumn({ type: 'text' })
  id!: string;

  @Column({ type: 'text', name: 'person_id' })
  personId!: string;

  @Column({ type: 'text' })
  name!: string;

  @Column({ type: 'boolean', name: 'is_shared' })
  isShared!: boolean;

  /** For whom it stands when a plan is opened; one recipe at most for each. */
  @Column({ type: 'text', name: 'stands_for', nullable: true })
  standsFor!: RecipeScope;

  /** The department that it stands for. */
  @Column({ type: 'text', nullable: true })
  department!: string | null;

  @Column({ type: 'simple-json' })
  choices!: RecipeChoices;

  @Column({ type: 'simple-json' })
  knows!: RecipeKnows;

  /** Parts that only an administrator changes. */
  @Column({ type: 'simple-json' })
  locks!: string[];

  @Column({ type: 'text', name: 'changed_at' })
  changedAt!: string;
}
