import { found, REACH, type Finder } from './found.js';

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
const ID =
  /\b(?:(?:meeting|webinar|conference|call|room)[\s-]+(?:id|number|code|no\.)|meeting|webinar|conference)\s{0,9}(?:is|[:#])?\s{0,9}\d[\d\s-]{6,40}\d/gi;
/** An id that is not called a meeting's counts where its sentence speaks of one. */
const BARE_ID =
  /(?<!(?:meeting|webinar|conference|call|room)[\s-]{1,9})\bID\s{0,9}(?:is|[:#])?\s{0,9}\d[\d\s-]{6,40}\d/gi;
const PASSCODE = /\bpass(?<sort>code|word|phrase)\s{0,9}(?:is|:|=)?\s{0,9}[“"']?(?<code>[\w-]{4,64})/gi;

/** Words that say a passcode opens a meeting; and those that say it opens something else. */
const OF_A_MEETING = /\b(?:meeting|video|call|join|online|conference|dial|webinar|meet|host)\b|https?:\/\//i;
const OF_SOMETHING_ELSE =
  /\b(?:doors?|labs?|library|readers?|files?|quiz(?:zes)?|exams?|tests?|wi-?fi|lockers?|accounts?|buildings?|articles?|pdfs?|books?|archives?|e-?reserves?|computers?|log ?in|network|network’s|database|safe|gate|shed)\b/i;
const ONLY_AN_EXAMPLE =
  /\b(?:for example|for instance|such as|e\.\s?g\.|looks? like|in the form(?: of)?|say),?:?\s*[“"'(]?$/i;

/** The line that something stands in, with the line before it. */
function around(text: string, at: number): string {
  const before = text.slice(Math.max(0, at - REACH), at);
  const after = text.slice(at, at + REACH);
  const start = before.lastIndexOf('\n', before.lastIndexOf('\n') - 1) + 1;
  const end = after.indexOf('\n');
  return before.slice(start) + after.slice(0, end < 0 ? undefined : end);
}

function sentenceOf(text: string, at: number): string {
  const before = text.slice(Math.max(0, at - REACH), at);
  const after = text.slice(at, at + REACH);
  const start = Math.max(before.lastIndexOf('. '), before.lastIndexOf('\n'), before.lastIndexOf('; ')) + 1;
  const end = after.search(/[.;](?:\s|$)|\n/);
  return before.slice(start) + after.slice(0, end < 0 ? undefined : end);
}

function isMeeting(match: RegExpMatchArray, hosts: readonly string[]): boolean {
  const { scheme, path } = match.groups!;
  const host = match.groups!.host!.toLowerCase();
  if (hosts.some((known) => host === known || host.endsWith(`.${known}`))) return true;
  return (scheme !== undefined || path !== undefined) && host.split('.').some((label) => label.startsWith('meet'));
}

const isOfMeeting = (text: string, match: RegExpMatchArray): boolean => {
  const { sort, code } = match.groups!;
  if (/^(?:is|for|the|will|was|and|from|that|your|with|to|you)$/i.test(code!)) return false;
  if (OF_SOMETHING_ELSE.test(sentenceOf(text, match.index!))) return false;
  const said = OF_A_MEETING.test(around(text, match.index!));
  return sort!.toLowerCase() === 'code' && /\d/.test(code!) ? true : said && /[:=]|\bis\b|\d/.test(match[0]);
};

/** Addresses of video meetings, meeting ids and passcodes; not one that is only an example of such. */
export const findMeetings: Finder = (text, { meetingHosts }) =>
  [
    ...[...text.matchAll(ADDRESS)].filter((match) => isMeeting(match, meetingHosts)),
    ...text.matchAll(ID),
    ...[...text.matchAll(BARE_ID)].filter(({ index }) => OF_A_MEETING.test(sentenceOf(text, index))),
    ...[...text.matchAll(PASSCODE)].filter((match) => isOfMeeting(text, match)),
  ]
    .filter(({ index }) => !ONLY_AN_EXAMPLE.test(text.slice(Math.max(0, index - 40), index)))
    .map((match) => found('meeting', match));
