/** Flags of a moment, in the order in which they are printed; every one of `DOUBTS` makes the moment a doubt. */
export const FLAGS = [
  'closure',
  'outsideTerm',
  'wasInBreak',
  'noSuchWeek',
  'otherWeekday',
  'noClass',
  'noSuchMeeting',
  'missingHour',
  'orderChanged',
  'otherTerm',
  'past',
  'weekend',
  'otherPeriod',
  'sameDay',
  'crowded',
] as const;
export type Flag = (typeof FLAGS)[number];

/** Flags are gathered as bits while 100,000 moments are moved. */
export type FlagBits = number;

export const FLAG = Object.fromEntries(FLAGS.map((flag, index) => [flag, 1 << index])) as Readonly<
  Record<Flag, FlagBits>
>;

const NOTES: readonly Flag[] = ['sameDay', 'crowded'];

const NOTE_BITS = NOTES.reduce((bits, flag) => bits | FLAG[flag], 0);

/** The same for flags as bits. */
export const isDoubt = (bits: FlagBits): boolean => (bits & ~NOTE_BITS) !== 0;

export const isDoubtful = (flags: readonly Flag[]): boolean => flags.some((flag) => !NOTES.includes(flag));

const NONE: readonly Flag[] = [];
const named = new Map<FlagBits, readonly Flag[]>();

export function flagNames(bits: FlagBits): readonly Flag[] {
  if (bits === 0) return NONE;
  let names = named.get(bits);
  if (names === undefined) named.set(bits, (names = FLAGS.filter((flag) => (bits & FLAG[flag]) !== 0)));
  return names;
}

/** Each flag in the few words that stand beside a date. */
export const FLAG_WORDS: Readonly<Record<Flag, string>> = {
  closure: 'closed day',
  outsideTerm: 'outside the term',
  wasInBreak: 'was in a break',
  noSuchWeek: 'no such week',
  otherWeekday: 'other timetable',
  noClass: 'no class that day',
  noSuchMeeting: 'no such class',
  missingHour: 'clocks change',
  orderChanged: 'order changed',
  otherTerm: 'from another term',
  past: 'in the past',
  weekend: 'weekend now',
  otherPeriod: 'other marking period',
  sameDay: 'shares its day',
  crowded: 'crowded',
};
