import { findMeetings } from '../../words/findMeetings.js';
import { addressesIn } from '../../words/addresses.js';
import type { FindingRule } from '../finding.js';

const SHORT = 60;

/** A video meeting's address, id or passcode: on an event, an announcement or as a web link it stays; elsewhere it comes to be reworded. */
export const meetingLink: FindingRule = ({ source, words }) =>
  source.items.flatMap((item) => {
    const addresses = addressesIn(source.bodyOf(item)).map(({ address }) => address);
    const { url, place } = item.details ?? {};
    const text = [item.title, source.textOf(item), ...addresses, url, place].filter((each) => typeof each === 'string');
    const first = findMeetings(text.join('\n'), words)[0];
    if (first === undefined) return [];
    const stays = item.kind === 'event' || item.kind === 'announcement' || item.kind === 'weblink';
    const evidence = `“${first.text.slice(0, SHORT)}”`;
    return [{ item: item.id, finding: 'meetingLink', evidence, default: stays ? 'leave' : 'bring' }];
  });
