import { REACH, wordsOf, type FoundPlain, type WordContext } from '../found/found.js';
import { firstFrom, literally } from '../found/match.js';
import type { Prose } from '../text/prose.js';
import type { Span } from '../text/seenText.js';
import { findMeetings } from './findMeetings.js';

export type Mode = 'on site' | 'online' | 'mixed';

const ON_SITE =
  /\b(?:on[- ]campus|in[- ]person|face[- ]to[- ]face|on[- ]site|in (?:the|our|this) (?:class ?room|lecture hall|lecture theatre|lecture theater)|(?:in|to|at|of) room (?:no\.? ?)?[A-Z]?\d+\w?)\b/gi;
const ONLINE =
  /\b(?:(?:online|remote|virtual)[- ]only|(?:only|entirely|fully|wholly|completely|100 ?%) (?:online|remote|virtual)|by video|(?:by|over|via|on) (?:a |the |our )?video(?: ?(?:call|conference|meeting|link|chat))?|(?:meets?|met|held|taught|runs?|class(?:es)?|lectures?|seminars?|sessions?|sections?|course) (?:is |are |will be )?(?:held |taught )?(?:online|remotely|virtually)|(?:online|virtual|remote) (?:class(?:es)?|lectures?|seminars?|sessions?|sections?|course|meetings?|office hours)|(?:attend|join us|take part|taking part|takes? place|taking place) (?:online|remotely|virtually)|everything (?:is|happens|takes place) (?:online|remote|virtual)|from home)\b/gi;
const MIXED =
  /\b(?:hybrid|blended|mixed[- ]mode|(?:half|partly|part) (?:online|on campus|in person)|alternat\w{1,9} between (?:online|on campus|in person)\b[^.\n]{0,200}|online (?:one|every other) week)\b/gi;

/** Rooms of a subject: a room of a museum or a book is no class room. */
const OWN_ROOM_AFTER = /^ (?:of|at|in) (?:the|a|an|his|her|their) (?!building|hall|college|library|science|arts?\b)/i;
const OWN_ROOM_BEFORE = /\b(?:emergency|operating|waiting|engine|control|escape|hotel|patient|ward|guest)$/i;

const PATTERNS: Readonly<Record<Mode, readonly RegExp[]>> = {
  'on site': [ON_SITE],
  online: [ONLINE],
  mixed: [MIXED],
};

/** What words tell of a mode that the new course no longer has. A mixed course also says what its other half was. */
function patternsFor(old: Mode, now: Mode): readonly RegExp[] {
  if (old !== 'mixed') return PATTERNS[old];
  return [MIXED, ...(now === 'online' ? PATTERNS['on site'] : PATTERNS.online)];
}

/** How far words are looked for beside a room. */
const NEAR = 40;

/**
 * Words that say the mode that a course had. Those that introduce a meeting's address say where to meet, not the mode.
 *
 * @see docs/rules.md, "Findings"
 */
export function findModeWords(prose: Prose, old: Mode, now: Mode, context: WordContext): FoundPlain[] {
  const { text, words } = prose;
  const meetings = findMeetings(prose, context).sort((a, b) => a.start - b.start);
  /** A meeting behind it in its sentence; of several the first behind it tells. */
  const introduces = ({ end }: Span): boolean => {
    const next = meetings[firstFrom(meetings, end, ({ start }) => start)]?.start;
    return next !== undefined && next - end < REACH && !/[.!?](?:\s|$)|[\n\u2028]/.test(text.slice(end, next));
  };
  const saysRoom = old === 'on site' || (old === 'mixed' && now === 'online');
  const room =
    saysRoom && context.room ? [new RegExp(`\\b(?:in|to|at) ${literally(context.room)}(?![\\p{L}\\p{N}])`, 'giu')] : [];
  return [...patternsFor(old, now), ...room]
    .flatMap((pattern) => [...words.matchAll(pattern)])
    .filter(
      ({ 0: said, index }) =>
        !/room/i.test(said) ||
        !(
          OWN_ROOM_AFTER.test(words.slice(index + said.length, index + said.length + NEAR)) ||
          OWN_ROOM_BEFORE.test(words.slice(Math.max(0, index - NEAR), index).trimEnd())
        ),
    )
    .map((match): FoundPlain => ({ sort: 'mode', ...wordsOf(match) }))
    .filter((each) => !introduces(each));
}
