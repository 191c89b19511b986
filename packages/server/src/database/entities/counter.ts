import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A number that only goes up: with every change of the terms, so that what is kept by it never meets the same again, and with every run. */
@Entity('counter')
export class CounterRow {
  @PrimaryColumn({ type: 'text' })
  name!: 'terms' | 'runs';

  @Column({ type: 'integer' })
  value!: number;
}
