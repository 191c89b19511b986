// A toggle in a course of 10,000 things: choosing alone (limit 16 ms), and the whole preview with all dates.
import { indexPlan, previewOn, reviewPlan, type Choices, type Decisions } from '@yarin/core';
import { chooseInPlan } from '../src/plan/preview.js';
import { findFindings } from '../src/choose/findings/findFindings.js';
import { snapshotOf } from '../src/course/snapshot.js';
import { bigCourse, bigShell } from './bigCourse.js';

const ROUNDS = 60;

const source = bigCourse();
const shell = bigShell();
const snapshots = { source: snapshotOf(source), shell: snapshotOf(shell) };
const begunFindings = performance.now();
const findings = findFindings(source, shell);
console.log(
  `${source.items.length} things, ${findings.length} findings found in ${(performance.now() - begunFindings).toFixed(0)} ms, once`,
);
const begunIndex = performance.now();
const index = indexPlan({ ...snapshots, findings, lineage: [] });
console.log(`indexed once in ${(performance.now() - begunIndex).toFixed(0)} ms`);

/** Milliseconds of one toggle each: the median and the slowest of some rounds, each with another choice. */
function measure(what: string, limit: number, run: (choices: Choices) => unknown): void {
  const times = Array.from({ length: ROUNDS }, (_, round) => {
    const choices: Choices = {
      units: { [`u-${round}`]: 'leave' },
      items: { [`b-${round + 50}`]: 'leave' },
      kinds: round % 2 === 0 ? {} : { page: 'leave' },
    };
    const begun = performance.now();
    run(choices);
    return performance.now() - begun;
  }).sort((a, b) => a - b);
  console.log(
    `${what}: median ${times[ROUNDS >> 1]!.toFixed(1)} ms, slowest ${times.at(-1)!.toFixed(1)}; limit ${limit}`,
  );
}
measure('a toggle, what comes and why', 16, (choices) => chooseInPlan(index, choices));
const decided = (choices: Choices): { decisions: Decisions; policy: object } => ({
  decisions: { choices, byHand: {}, settled: {} },
  policy: {},
});
measure('the whole preview with all dates', 100, (choices) => previewOn(index, decided(choices)));
measure('with what needs a person', 100, (choices) => {
  const preview = previewOn(index, decided(choices));
  if (preview.ok) reviewPlan({ ...index.ground, ...decided(choices) }, preview.value);
});
