// What is proposed for twelve pairs of courses and calendars, beside what a careful teacher would do with each date.
import { measureCareful } from '../test/careful/measureCareful.js';
import { CAREFUL_PAIRS } from '../test/careful/pairs.js';

const all = CAREFUL_PAIRS.map(measureCareful);
const sum = (of: (each: (typeof all)[number]) => number): number => all.reduce((total, each) => total + of(each), 0);
const share = (part: number, of: number): string => `${((100 * part) / of).toFixed(1)} %`;

for (const { name, rule, dates, silentlyWrong, doubtedWithoutNeed, lines, causes, settled, toSettle } of all) {
  console.log(
    `${name.padEnd(34)} ${rule.padEnd(8)} ${String(dates).padStart(3)} dates; silently wrong ${silentlyWrong.length}; ` +
      `doubted without need ${doubtedWithoutNeed.length}; lines ${lines} of ${causes}; settled by an offer ${settled} of ${toSettle}`,
  );
  for (const said of silentlyWrong) console.log(`    wrong: ${said}`);
  for (const said of doubtedWithoutNeed) console.log(`    doubted: ${said}`);
}
const dates = sum((each) => each.dates);
console.log(
  `all: ${dates} dates; silently wrong ${share(
    sum((each) => each.silentlyWrong.length),
    dates,
  )} (aim 2); doubted without need ${share(
    sum((each) => each.doubtedWithoutNeed.length),
    dates,
  )} (aim 7); lines ${sum((each) => each.lines)}, as a person counts ${sum((each) => each.causes)}; settled by an offer ${sum(
    (each) => each.settled,
  )} of ${sum((each) => each.toSettle)}`,
);
