/** What can become of a thing in a plan, in the order in which it is told. */
export const VERBS = ['add', 'join', 'same', 'update', 'keep', 'ask', 'gone', 'leave', 'here'] as const;
export type Verb = (typeof VERBS)[number];

/** What a verb means by itself; what was answered, or keeps a place, is said by the line. */
interface VerbMeaning {
  /** A run writes the thing. */
  readonly writes?: true;
  /** The thing stands in the new course as one of its own, and takes the place of nothing. */
  readonly landsNew?: true;
  /** The thing is not in the new course. */
  readonly staysBehind?: true;
}

export const VERB_MEANINGS: Readonly<Record<Verb, VerbMeaning>> = {
  add: { writes: true, landsNew: true },
  join: { writes: true },
  same: {},
  update: { writes: true },
  keep: {},
  ask: {},
  gone: { staysBehind: true },
  // A place that is kept lands as a thing of its own.
  leave: { staysBehind: true, landsNew: true },
  here: {},
};
