import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('session')
export class SessionRow {
  @PrimaryColumn({ type: 'text' })
  id!: string;

  @Column({ type: 'text' })
  data!: string;

  /** Milliseconds since 1970-01-01 UTC. */
  @Column({ type: 'integer', name: 'expires_at' })
  expiresAt!: number;
}
