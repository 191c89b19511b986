import { neededByCause } from '../../choose/brokenNeeds.js';
import type { FindingName } from '../../names/findings.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { PlanLine } from '../shapes/line.js';
import { weightOf, weightsOf } from '../../course/weights.js';
import { weightsLeftBehind } from '../landing/weightsKept.js';
import { about, titlesOf, type IndexedPlan, type LooseEnd, type PlanCheck } from './looseEnd.js';

const inSource = ({ byId }: IndexedPlan, ids: readonly string[]): SnapshotItem[] =>
  ids.flatMap((id) => byId.get(id) ?? []);

/** Things that come although something was found about them. */
const foundAndComing = (plan: IndexedPlan, name: FindingName): SnapshotItem[] =>
  inSource(
    plan,
    plan.input.findings.flatMap(({ finding, item }) => (finding === name && plan.comes.has(item) ? [item] : [])),
  );

/** Things of the lines that something is said of. */
const ofLines = (plan: IndexedPlan, isMeant: (line: PlanLine) => boolean): SnapshotItem[] =>
  inSource(
    plan,
    plan.preview.lines.flatMap((line) => (line.item !== null && isMeant(line) ? [line.item] : [])),
  );

export const ruleStays: PlanCheck = ({ preview, byId }) => {
  const titleOf = (id: string): string => byId.get(id)?.title ?? 'something that is not here';
  return preview.broken.flatMap((each): LooseEnd[] =>
    each.is !== 'ruleStays'
      ? []
      : [
          {
            code: 'ruleStays',
            severity: 'breaks',
            sentence: `“${titleOf(each.guards)}” would open without its condition`,
            detail: `“${titleOf(each.rule)}” stays behind, since “${titleOf(each.reads)}” does`,
            items: [each.rule, each.guards],
          },
        ],
  );
};

/** One line for each choice that left something. */
export const neededButLeft: PlanCheck = (plan) =>
  [...neededByCause(plan.preview.broken, (id) => plan.byId.get(id)?.kind).values()].flatMap((needed) =>
    about(
      inSource(
        plan,
        needed.map(({ item }) => item),
      ),
      {
        code: 'neededButLeft',
        severity: 'wrong',
        one: 'One thing that you left comes all the same, since others need it',
        many: 'things that you left come all the same, since others need them',
      },
    ),
  );

export const standsAlready: PlanCheck = (plan) =>
  about(
    ofLines(plan, ({ verb, answered }) => verb === 'ask' && answered === undefined),
    {
      code: 'standsAlready',
      severity: 'wrong',
      one: 'Something of the same name stands in the shell; it stays as it is there',
      many: 'things of the same name stand in the shell; they stay as they are there',
    },
  );

export const meetingLink: PlanCheck = (plan) =>
  about(foundAndComing(plan, 'meetingLink'), {
    code: 'meetingLink',
    severity: 'wrong',
    one: 'A text holds last term’s meeting link',
    many: 'texts hold last term’s meeting links',
  });

export const reword: PlanCheck = (plan) => {
  const marked = plan.input.source.marks.filter(({ mark, item }) => mark === 'reword' && plan.comes.has(item));
  return about(
    inSource(
      plan,
      marked.map(({ item }) => item),
    ),
    {
      code: 'reword',
      severity: 'wrong',
      one: 'You marked one thing to be reworded',
      many: 'things are marked to be reworded',
    },
  );
};

export const toReword: PlanCheck = (plan) =>
  about(
    ofLines(plan, ({ reword: isDraft }) => isDraft === true),
    {
      code: 'toReword',
      severity: 'wrong',
      one: 'One thing comes as a draft, to be reworded',
      many: 'things come as drafts, to be reworded',
    },
  );

export const olderCourseLink: PlanCheck = (plan) =>
  about(foundAndComing(plan, 'olderCourseLink'), {
    code: 'olderCourseLink',
    severity: 'wrong',
    one: 'A text links into an older course',
    many: 'texts link into older courses',
  });

export const originalityCheck: PlanCheck = (plan) =>
  about(foundAndComing(plan, 'originalityCheck'), {
    code: 'originalityCheck',
    severity: 'wrong',
    one: 'An originality check has to be turned on again',
    many: 'originality checks have to be turned on again',
  });

/** Categories that come with a few pieces of work, without the weight that they had. */
export const weightLeft: PlanCheck = ({ input, preview, byId }) => {
  const out = new Set(preview.lines.flatMap(({ takenOut, to }) => (takenOut === true ? [to] : [])));
  const stays = input.shell.items.filter(({ id }) => !out.has(id));
  const left = weightsLeftBehind(input.source, stays, preview.lines, input.decisions.choices);
  const own = weightsOf(stays) ?? 0;
  return [...left].map((id) => ({
    code: 'weightLeft',
    severity: 'wrong',
    sentence: `“${byId.get(id)!.title}” comes without its ${weightOf(byId.get(id)!)} %`,
    detail: `the course’s own weights come to ${own} % and stay as they are; let one of its categories take the work`,
    items: [id],
  }));
};

/** What a person let stand for something, and somebody took out of the shell since. */
export const equivalentGone: PlanCheck = (plan) => {
  const there = new Set(plan.input.shell.items.map(({ id }) => id));
  const gone = Object.entries(plan.input.decisions.choices.equivalents ?? {}).filter(([, to]) => !there.has(to));
  return about(
    inSource(
      plan,
      gone.map(([item]) => item),
    ),
    {
      code: 'equivalentGone',
      severity: 'wrong',
      one: 'What you let stand for one thing is not in the shell any more; choose again',
      many: 'things had something of the shell in their place that is not there any more; choose again',
    },
  );
};

/** Dates that nobody moved since the run, and that the calendar or the rule puts elsewhere now. */
export const datedElsewhere: PlanCheck = ({ preview: { elsewhere: dates } }) => {
  if (dates.length === 0) return [];
  const things = new Map(dates.map((date) => [date.item, date]));
  return [
    {
      code: 'datedElsewhere',
      severity: 'wrong',
      sentence:
        dates.length === 1
          ? 'One date that was brought would stand elsewhere on the calendar as it is now'
          : `${dates.length} dates that were brought would stand elsewhere on the calendar as it is now`,
      detail: titlesOf([...things.values()]),
      items: [...things.keys()],
    },
  ];
};
