import { hostOf } from '../text/addresses.js';
import { wordsOf, type Finder, type FoundMeeting } from '../found/found.js';
import { firstFrom, groupSpan, overlaps } from '../found/match.js';
import type { Prose } from '../text/prose.js';
import type { Span } from '../text/seenText.js';
import { linesAt, sentenceAround, sentenceAt } from './sentences.js';

/** Hosts of video meetings that are known from the start; an administrator's list replaces them. */
export const MEETING_HOSTS: readonly string[] = [
  'zoom.us',
  'teams.microsoft.com',
  'teams.live.com',
  'webex.com',
  'jit.si',
];

const ADDRESS =
  /(?<![@\w.-])(?<scheme>https?:\/\/)?(?:[^\s"'<>()/@]{1,64}@)?(?<host>(?:[a-z0-9-]{1,63}\.){1,8}[a-z]{2,24})(?![a-z0-9-])(?<path>(?::\d+)?\/[^\s"'<>)]*)?/gi;
const NUMBER = '\\d[\\d\\s-]{6,40}\\d';
const ID = new RegExp(
  `\\b(?:(?:meeting|webinar|conference|call|room)[\\s-]+(?:id|number|code|no\\.)|meeting|webinar|conference)\\s{0,9}(?:is|[:#])?\\s{0,9}(?<code>${NUMBER})`,
  'dgi',
);
/** An id that is not called a meeting's counts where its sentence speaks of one. */
const BARE_ID = new RegExp(
  `(?<!(?:meeting|webinar|conference|call|room)[\\s-]{1,9})\\bID\\s{0,9}(?:is|[:#])?\\s{0,9}(?<code>${NUMBER})`,
  'dgi',
);
const PASSCODE = /\bpass(?<sort>code|word|phrase)\s{0,9}(?:is|:|=)?\s{0,9}[“"']?(?<code>[\w-]{4,64})/dgi;
/** A number to dial counts beside a meeting. */
const DIAL =
  /\b(?:dial(?:[- ]?in)?|phone|call|telephone)\b[^\n\u2028\d+]{0,40}(?<code>\+?\(?\d[\d ().-]{6,24}\d)(?!\d)/dgi;

/** Words that say a passcode opens a meeting; and those that say it opens something else. */
const OF_A_MEETING = /\b(?:meeting|video|call|join|online|conference|dial|webinar|meet|host)\b|https?:\/\//i;
const OF_SOMETHING_ELSE =
  /\b(?:doors?|labs?|library|readers?|files?|quiz(?:zes)?|exams?|tests?|wi-?fi|lockers?|accounts?|buildings?|articles?|pdfs?|books?|archives?|e-?reserves?|computers?|log ?in|network|network’s|database|safe|gate|shed)\b/i;
const ONLY_AN_EXAMPLE =
  /\b(?:for example|for instance|such as|e\.\s?g\.|looks? like|in the form(?: of)?|say),?:?\s*[“"'(]?$/i;

/** Whether a part of a text speaks of a meeting, or leads to an address. */
function isSaid({ text, addresses }: Prose, { start, end }: Span): boolean {
  if (OF_A_MEETING.test(text.slice(start, end))) return true;
  const first = addresses[firstFrom(addresses, start, ({ at }) => at)];
  return first !== undefined && first.at <= end && hostOf(first.address) !== undefined;
}

function isMeetingHost(host: string, isWhole: boolean, hosts: readonly string[]): boolean {
  if (hosts.some((known) => host === known || host.endsWith(`.${known}`))) return true;
  return isWhole && host.split('.').some((label) => label.startsWith('meet'));
}

function isOfMeeting(prose: Prose, match: RegExpMatchArray): boolean {
  const { text } = prose;
  const { sort, code } = match.groups!;
  if (/^(?:is|for|the|will|was|and|from|that|your|with|to|you)$/i.test(code!)) return false;
  if (OF_SOMETHING_ELSE.test(sentenceAround(text, match.index!))) return false;
  if (sort!.toLowerCase() === 'code' && /\d/.test(code!)) return true;
  return isSaid(prose, linesAt(text, match.index!)) && /[:=]|\bis\b|\d/.test(match[0]);
}

/** Addresses that no reader sees, and those that are written out. */
function addressesOf({ text, addresses }: Prose, hosts: readonly string[]): FoundMeeting[] {
  const written = [...text.matchAll(ADDRESS)]
    .filter(({ groups }) => {
      const isWhole = groups!.scheme !== undefined || groups!.path !== undefined;
      return isMeetingHost(groups!.host!.toLowerCase(), isWhole, hosts);
    })
    .map((match): FoundMeeting => {
      const { start, text: said } = wordsOf(match);
      // A stop or comma behind an address is the sentence's.
      const address = said.replace(/[.,;:!?]{1,3}$/, '');
      return { sort: 'meeting', start, end: start + address.length, text: address, said: address };
    });
  const behind = addresses.flatMap((link): FoundMeeting[] => {
    const { address, at } = link;
    const host = hostOf(address)?.replace(/^.*@|:\d+$/g, '');
    if (host === undefined || !isMeetingHost(host, true, hosts)) return [];
    return [{ sort: 'meeting', start: at, end: at, text: address, said: address, link }];
  });
  return [...written, ...behind];
}

const codeOf = (match: RegExpMatchArray): FoundMeeting => ({
  sort: 'meeting',
  ...groupSpan(match, 'code')!,
  text: match.groups!.code!,
  said: match[0],
});

/** How far before a place an example is announced. */
const ANNOUNCED = 40;

/** Addresses of video meetings, meeting ids, passcodes and numbers to dial; not one that is only an example of such. */
export const findMeetings: Finder<FoundMeeting> = (prose, { meetingHosts }) => {
  const { text } = prose;
  const isExample = (at: number): boolean => ONLY_AN_EXAMPLE.test(text.slice(Math.max(0, at - ANNOUNCED), at));
  const codes = [
    ...text.matchAll(ID),
    ...[...text.matchAll(BARE_ID)].filter(({ index }) => isSaid(prose, sentenceAt(text, index))),
    ...[...text.matchAll(PASSCODE)].filter((match) => isOfMeeting(prose, match)),
  ].filter(({ index }) => !isExample(index));
  const found = [...addressesOf(prose, meetingHosts).filter(({ start }) => !isExample(start)), ...codes.map(codeOf)];
  if (found.length === 0) return found;
  const dialled = [...text.matchAll(DIAL)].map(codeOf);
  return [...found, ...dialled.filter((each) => !found.some((known) => overlaps(known, each)))];
};
