const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

/** A month in small letters, whole or short. */
export const MONTH =
  '(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)';
/** A weekday in small letters, whole or short. */
export const WEEKDAY =
  '(?:mon(?:day)?|tue(?:s(?:day)?)?|wed(?:nesday)?|thu(?:r(?:s(?:day)?)?)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?)';

/** 1 to 12. */
export const monthOf = (word: string): number => MONTHS.indexOf(word.slice(0, 3)) + 1;
/** ISO weekday. */
export const weekdayOfWord = (word: string): number => WEEKDAYS.indexOf(word.slice(0, 3)) + 1;
