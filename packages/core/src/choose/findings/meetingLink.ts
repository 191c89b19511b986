import { findMeetings } from '../../words/english/findMeetings.js';
import type { SourceRule } from './finding.js';

const SHORT = 60;

/** A video meeting's address, id or passcode: on an event, an announcement or as a web link it stays; elsewhere it comes to be reworded. */
export const meetingLink: SourceRule = ({ source, words }) =>
  source.items.flatMap((item) => {
    if (item.kind === 'courseSettings') return [];
    const [first] = findMeetings(source.proseOf(item), words);
    if (first === undefined) return [];
    const stays = item.kind === 'event' || item.kind === 'announcement' || item.kind === 'weblink';
    const evidence = `“${first.said.slice(0, SHORT)}”`;
    return [{ item: item.id, finding: 'meetingLink', evidence, default: stays ? 'leave' : 'bring' }];
  });
