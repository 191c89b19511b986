import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A number that goes up with every change of something: what is kept by it never meets the same number again. */
@Entity('counter')
export class CounterRow {
  @PrimaryColumn({ type: 'text' })
  name!: 'terms';

  @Column({ type: 'integer' })
  value!: number;
}
