import type { CalendarChange } from '@yarin/core';
import { count } from '../shared/words.js';

/** “2 dates in doubt, as before”, “2 dates in doubt, 3 before”. */
export const doubtsWords = ({
  doubtsAfter,
  doubtsBefore,
}: Pick<CalendarChange, 'doubtsAfter' | 'doubtsBefore'>): string =>
  `${count(doubtsAfter, 'date')} in doubt, ${doubtsAfter === doubtsBefore ? 'as before' : `${doubtsBefore} before`}`;
