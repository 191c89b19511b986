import { sentenceAt } from './sentences.js';
import type { Span } from '../text/seenText.js';

/** Days that stand where they stand, whatever a college's calendar says. */
const HOLIDAYS =
  "new year[’']?s(?: day| eve)?|(?:martin luther king|mlk)(?:,? jr\\.?)?(?: day)?|presidents?[’']? day|washington[’']s birthday|valentine[’']?s day|st\\.? patrick[’']?s day|good friday|easter(?: sunday| monday)?|passover|ramadan|eid(?: al-\\w+)?|memorial day|juneteenth|independence day|canada day|bastille day|labou?r day|columbus day|indigenous peoples?[’']? day|halloween|election day|veterans?[’']? day|remembrance day|thanksgiving(?: day)?|christmas(?: day| eve)?|boxing day|hanukkah|kwanzaa|diwali|rosh hashanah|yom kippur|lunar new year|chinese new year|holi|earth day|arbor day|pi day|may day|mother[’']?s day|father[’']?s day|cinco de mayo|(?:world|international|national) (?:\\w+ ){1,3}(?:day|week)";
/** What others hold: the course follows them, they do not follow the course. */
const EVENTS =
  '(?:conferences?|conventions?|congress|symposium|festivals?|summit|olympics?|world cup|(?:general|midterm|presidential|primary|local|mayoral) elections?|(?:solar|lunar) eclipse|eclipse|solstice|equinox|marathon|parade)';
const NAME = new RegExp(`(?<![\\p{L}\\p{N}])(?:${HOLIDAYS}|${EVENTS})(?![\\p{L}\\p{N}])`, 'giu');

/** How many words may stand between a date and the name that it stands beside. */
const MOST_BETWEEN = 3;

/** Whether the name of a holiday, or of an event that others hold, stands beside words in their sentence. */
export function isBesideOutsideEvent(text: string, { start, end }: Span): boolean {
  const sentence = sentenceAt(text, start);
  const areNear = (between: string): boolean =>
    between.split(/[\s,()–—-]+/).filter((word) => word !== '').length <= MOST_BETWEEN;
  return [...text.slice(sentence.start, Math.max(sentence.end, end)).matchAll(NAME)].some((match) => {
    const from = sentence.start + match.index;
    const to = from + match[0].length;
    return areNear(to <= start ? text.slice(to, start) : from >= end ? text.slice(end, from) : '');
  });
}
