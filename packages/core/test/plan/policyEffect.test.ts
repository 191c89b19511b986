import { expect, it } from '@jest/globals';
import { policyEffect } from '../../src/plan/policyEffect.js';
import { indexPlan, previewOn } from '../../src/plan/preview.js';
import { isDoubtful } from '../../src/names/flags.js';
import type { Policy } from '../../src/schemas/retimeJob.js';
import { asSnapshot, due, item, newShell, oldCourse } from '../builders.js';

const source = asSnapshot(
  oldCourse(
    item('quiz', 'q1', { moments: due('q1', '2026-01-14T23:59') }),
    item('quiz', 'q2', { moments: due('q2', '2026-02-18T23:59') }),
    item('assignment', 'a1', { moments: due('a1', '2026-03-15T23:59') }),
  ),
);
const index = indexPlan({ source, shell: asSnapshot(newShell()), findings: [], lineage: [] });
const decided = {
  decisions: { choices: {}, byHand: { 'q1-due': '2027-02-01T12:00' }, settled: {} },
  policy: { rule: 'week', weekdays: { '1': 2, '3': 4 } } as Policy,
};

it('says of each policy what a plan under it would show, and a date set by hand differs under none', () => {
  const policies: Policy[] = [decided.policy, { rule: 'week' }, { rule: 'clear' }, { rule: 'keep' }];
  const now = previewOn(index, decided);
  if (!now.ok) throw new Error('The calendars are sound.');
  const effects = policies.map((policy) => {
    const effect = policyEffect(index, decided, now.value.dates, source.course.id, policy);
    if (!effect.ok) throw new Error('The calendars are sound.');
    return effect.value;
  });
  for (const [at, policy] of policies.entries()) {
    const then = previewOn(index, { ...decided, policy });
    if (!then.ok) throw new Error('The calendars are sound.');
    expect(effects[at]).toMatchObject({
      differs: then.value.dates.filter(({ to }, each) => to !== now.value.dates[each]!.to).length,
      doubts: then.value.dates.filter(({ flags }) => isDoubtful(flags)).length,
      dates: then.value.dates,
    });
  }
  expect(effects.map(({ differs }) => differs)).toEqual([0, 1, 2, 2]);
  // Without a map q2 stays on Wednesday, away from Charter Day; cleared dates are in no doubt.
  expect(effects.slice(0, 3).map(({ changes }) => changes)).toEqual([
    {},
    { closure: -1 },
    { closure: -1, wasInBreak: -1 },
  ]);
});
