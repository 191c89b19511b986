// Words of the old term in texts that a person labelled, and how long a course of 2,000 things takes beside parsing its texts alone.
import { parseFragment } from 'parse5';
import { refresh } from '../src/refresh/refresh.js';
import { measureTexts } from '../test/labelled/measureTexts.js';
import { LABELLED_TEXTS } from '../test/labelled/staleTexts.js';

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
const { marked, precision, recall, right, mistakes } = measureTexts();
console.log(
  `stale words: ${marked} marked; precision ${percent(precision)} (aim 97), recall ${percent(recall)} (aim 95), ` +
    `replaced as a person would ${percent(right)} (aim 98)`,
);
for (const mistake of mistakes) console.log(`    ${mistake}`);

const THINGS = 2000;
const [{ job }] = LABELLED_TEXTS as [(typeof LABELLED_TEXTS)[number]];
const { items } = job.course;
const course = {
  ...job.course,
  items: Array.from({ length: THINGS }, (_, at) => {
    const bodies = [0, 1, 2, 3].map((more) => items[(at + more * 7) % items.length]!.body ?? '');
    return { ...items[at % items.length]!, id: `i${at}`, body: bodies.join('') };
  }),
};
const letters = course.items.reduce((sum, { body }) => sum + (body ?? '').length, 0);
const tried = (run: () => unknown): number => {
  const begun = performance.now();
  run();
  return performance.now() - begun;
};
const best = (run: () => unknown): number => Math.min(...[1, 2, 3, 4].map(() => tried(run)));
const alone = best(() => course.items.forEach(({ body }) => parseFragment(body ?? '')));
const whole = best(() => refresh({ ...job, course }));
console.log(
  `${THINGS} things, ${Math.round(letters / 1000)} kB: ${Math.round(whole)} ms (wanted: less than 1,000), ` +
    `${(whole / alone).toFixed(1)} times parsing their texts alone`,
);
