import { found, type Finder } from './found.js';

/** Hosts of video meetings that are known from the start; an administrator's list replaces them. */
export const MEETING_HOSTS: readonly string[] = [
  'zoom.us',
  'teams.microsoft.com',
  'teams.live.com',
  'webex.com',
  'jit.si',
];

const ADDRESS = /\b(?:https?:\/\/)?(?<host>(?:[a-z0-9-]+\.)+[a-z]{2,})(?:\/[^\s"'<>)]*)?/gi;
const ID = /\b(?:meeting|webinar|conference|room)\s+(?:id|number|code)\s*[:#]?\s*\d[\d\s-]{6,}\d/gi;
const PASSCODE = /\bpass(?:code|word)\s*(?:is|:)?\s*[:#]?\s*(?=\S*\d)[\w-]{4,}/gi;

const isMeetingHost = (host: string, hosts: readonly string[]): boolean =>
  host.split('.').some((label) => label.startsWith('meet')) ||
  hosts.some((known) => host === known || host.endsWith(`.${known}`));

/** Addresses of video meetings, meeting ids and passcodes. */
export const findMeetings: Finder = (text, { meetingHosts }) => [
  ...[...text.matchAll(ADDRESS)]
    .filter((match) => isMeetingHost(match.groups!.host!.toLowerCase(), meetingHosts))
    .map((match) => found('meeting', match)),
  ...[...text.matchAll(ID)].map((match) => found('meeting', match)),
  ...[...text.matchAll(PASSCODE)].map((match) => found('meeting', match)),
];
