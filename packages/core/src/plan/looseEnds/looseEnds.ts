import { classWithoutEvent } from './classWithoutEvent.js';
import { gradedWithoutDate, linkToNothing, notOpen, placeKept, ruleWithoutEnd, weights } from './courseChecks.js';
import {
  indexBehind,
  worstFirst,
  type CourseAsItStands,
  type CourseCheck,
  type LooseEnd,
  type LooseEndCode,
  type PlanBehind,
  type PlanCheck,
} from './looseEnd.js';
import {
  datedElsewhere,
  equivalentGone,
  meetingLink,
  neededButLeft,
  olderCourseLink,
  originalityCheck,
  reword,
  ruleStays,
  standsAlready,
  toReword,
  weightLeft,
} from './planChecks.js';

/** How each loose end is found, in the order of lines that are equally bad. A new one is a code, a check and its line here. */
const CHECKS: Readonly<
  Record<Exclude<LooseEndCode, 'dateInDoubt'>, { readonly ofCourse: CourseCheck } | { readonly ofPlan: PlanCheck }>
> = {
  linkToNothing: { ofCourse: linkToNothing },
  ruleWithoutEnd: { ofCourse: ruleWithoutEnd },
  weights: { ofCourse: weights },
  weightLeft: { ofPlan: weightLeft },
  equivalentGone: { ofPlan: equivalentGone },
  placeKept: { ofCourse: placeKept },
  gradedWithoutDate: { ofCourse: gradedWithoutDate },
  notOpen: { ofCourse: notOpen },
  ruleStays: { ofPlan: ruleStays },
  neededButLeft: { ofPlan: neededButLeft },
  standsAlready: { ofPlan: standsAlready },
  meetingLink: { ofPlan: meetingLink },
  reword: { ofPlan: reword },
  toReword: { ofPlan: toReword },
  olderCourseLink: { ofPlan: olderCourseLink },
  originalityCheck: { ofPlan: originalityCheck },
  classWithoutEvent: { ofPlan: classWithoutEvent },
  datedElsewhere: { ofPlan: datedElsewhere },
};

/**
 * What a person should still look at in a course, the worst first: as it stands, or as it will stand after a plan.
 *
 * @param behind  the plan that leads there
 * @see docs/rules.md, "Loose ends"
 */
export function looseEndsOf(course: CourseAsItStands, behind?: PlanBehind): LooseEnd[] {
  const plan = behind === undefined ? undefined : indexBehind(behind);
  const ends = Object.values(CHECKS).flatMap((check) => {
    if ('ofCourse' in check) return check.ofCourse(course);
    return plan === undefined ? [] : check.ofPlan(plan);
  });
  return worstFirst(ends);
}
