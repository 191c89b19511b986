export * from './problem.js';
export * from './calendar/day.js';
export * from './calendar/dateWords.js';
export { inStyle, USUAL_DATES, type DateStyle } from './calendar/dateStyle.js';
export { checkCalendar, checkMeetings } from './calendar/checkCalendar.js';
export { checkPart, partCalendar, withAdditions } from './calendar/effectiveCalendar.js';
export { calendarDifferences, courseTimeDifferences, type CourseTime } from './calendar/calendarDifferences.js';
export { CLOSURE_WORDS, closureName, spanWords } from './calendar/closureWords.js';
export { indexCalendar, type CalendarIndex, type WeekKind } from './calendar/calendarIndex.js';
export { zoneClock } from './calendar/skippedHour.js';
export {
  classDaysIn,
  indexMeetings,
  meetingsOn,
  type ClassMeeting,
  type MeetingIndex,
} from './calendar/meetingIndex.js';
export { isOpened, isWork, KIND_SENTENCES, KIND_WORDS, KINDS, type Kind } from './names/kinds.js';
export { ATTRIBUTES, checkDetails, LINK_FIELDS, type Attribute, type LinkField } from './course/attributes.js';
export { WAYS } from './names/ways.js';
export { isMust, MUST_LINKS, type LinkType } from './names/links.js';
export { checkCourse } from './course/checkCourse.js';
export { contentHash, textHash } from './course/contentHash.js';
export { reversedMoments } from './course/momentOrder.js';
export { MARK_WORDS } from './course/marks.js';
export { isCollegesOwn, sectionsOf, type SyllabusSection } from './course/syllabus.js';
export { mapTexts } from './course/texts.js';
export { undatedWork } from './plan/dates/undated.js';
export { linksToLeft, type LinkToLeft } from './plan/linksToLeft.js';
export { namingInstead } from './words/text/plainWords.js';
export { weightOf, weightsOf } from './course/weights.js';
export { compareCourses, type Compared, type ComparedRow } from './course/compareCourses.js';
export { areaOf, outlineOf, type OutlineRow } from './course/outline.js';
export { linksOf, ownState, snapshotOf, type Snapshot, type SnapshotItem } from './course/snapshot.js';
export { retime, type Retimed } from './retime/retime.js';
export { readTypedDate, typedReader } from './typed/readTypedDate.js';
export { DEEPEST_NESTING, nestingOf } from './words/text/nesting.js';
export { hourIn } from './retime/classes.js';
export { closureKind } from './calendar/closureKind.js';
export { readClosureList } from './typed/readClosureList.js';
export { readDateColumn, type ColumnReading } from './typed/readDateColumn.js';
export type { TypedReading } from './typed/typedContext.js';
export { handNotes } from './retime/handNotes.js';
export { indexTerms, type Terms } from './retime/terms.js';
export { standsOn } from './calendar/standsOn.js';
export { ROLE_WORDS } from './retime/roleWords.js';
export { explain } from './retime/explain.js';
export { FLAG_WORDS, isDoubtful, type Flag } from './names/flags.js';
export { settledAs, type DoubtCause } from './retime/causes.js';
export type { Settlement } from './retime/settlements.js';
export { mapWords, suggestPolicy, type PolicyOption, type PolicySuggestion } from './retime/suggestPolicy.js';
export type { Why } from './choose/decision.js';
export {
  applyRecipe,
  lockedItems,
  knownIn,
  partsOf,
  recipeOf,
  type RecipeApplied,
  type StandingRecipe,
} from './choose/recipes.js';
export type { RecipeChoices, RecipeKnows } from './schemas/recipe.js';
export { neededByCause, type BrokenNeed, type NeededButLeft } from './choose/brokenNeeds.js';
export { homeAndMenu, SETTING_WORDS, settingsPresent, type HomeAndMenu, type SettingName } from './course/settings.js';
export { FINDING_WORDS, type FindingName } from './names/findings.js';
export { type Finding } from './choose/findings/finding.js';
export { proposeJobProblems } from './choose/checkProposeJob.js';
export { propose, type Candidate, type ProposeCandidate, type Proposal } from './choose/propose.js';
export { viewCourse } from './choose/findings/courseView.js';
export { findFindings, findInSource, viewSource, type ViewedSource } from './choose/findings/findFindings.js';
export { looseEndsOf } from './plan/looseEnds/looseEnds.js';
export {
  namesItsThings,
  waitsForDecision,
  type LooseEnd,
  type LooseEndCode,
  type Severity,
} from './plan/looseEnds/looseEnd.js';
export { refreshJobProblems } from './refresh/checkRefreshJob.js';
export { refresh } from './refresh/refresh.js';
export { planJobProblems } from './plan/headless/checkPlanJob.js';
export { planCourses } from './plan/headless/planCourses.js';
export { joinSources, originOf, policiesInForce } from './plan/sources/joinSources.js';
export { type Joined, type SourceGround } from './plan/shapes/joined.js';
export { firstOf, overlapsOf, type Overlap } from './plan/sources/overlaps.js';
export { originKey, type Origin } from './plan/shapes/origin.js';
export { shellWithoutBrought } from './course/stock.js';
export { planMapWords, proposePlanPolicy, suggestPlanPolicy } from './plan/dates/suggestPlanPolicy.js';
export { followPlan, followsPlan } from './plan/followPlan.js';
export { policyEffect, type PolicyEffect } from './plan/policyEffect.js';
export { causesOf, reviewPlan, type Review } from './plan/review.js';
export { isTakenOutByHand, type LineageEntry, type Match } from './plan/shapes/matches.js';
export { titleKey } from './course/title.js';
export {
  decisionsAtFirst,
  decisionsOfSetUp,
  firstDecisions,
  SET_UP_KINDS,
  type PlanScope,
} from './plan/decisionsAtFirst.js';
export {
  categoriesOf,
  setUpEffect,
  setUpOf,
  type SetUp,
  type SetUpCategory,
  type SetUpEffect,
} from './plan/setUpEffect.js';
export { canBeTakenOut } from './plan/matching/takenOut.js';
export { isOut, isWritten, landsNew, staysBehind, type PlanLine } from './plan/shapes/line.js';
export type { Verb } from './names/verbs.js';
export { dateTotalsOf, fateOf, totalsOf, type Fate } from './plan/totals.js';
export { concernedDates, indexPlan, planChosen, planDated, previewOn, previewPlan } from './plan/preview.js';
export {
  type DateTotals,
  type PlanDecided,
  type PlanGround,
  type PlanIndex,
  type PlanInput,
  type PlanTotals,
  type Preview,
  type PreviewDate,
} from './plan/shapes/preview.js';
export type { PreviewItem } from './plan/shapes/preview.js';
export { isGraded } from './plan/dates/dates.js';
export { broughtDates } from './plan/dates/broughtDates.js';
export { classDaysOf, sectionMap, sectionsIn } from './plan/dates/sharedShell.js';
export { standingDates } from './plan/dates/standingDates.js';
export { calendarChange, type CalendarChange, type ChangedDate } from './plan/calendarChange.js';
export type { Calendar, CalendarAdditions, Closure, Meeting } from './schemas/calendar.js';
export {
  LONGEST_TITLE,
  MAKEABLE,
  type CourseEdit,
  type CourseTimeEdit,
  type ItemChanges,
  type NewItem,
  type NewShell,
  type NewTermEdit,
} from './schemas/edits.js';
export type { WorkSet, WorkSets } from './schemas/choices.js';
export { operationsBetween, type CourseState, type InTheWay, type Stamp } from './journal/course.js';
export { conflicts, fitting, invert } from './journal/journal.js';
export { writes, type CourseFields, type Fields, type Noted, type Operation } from './journal/operation.js';
export { takenBack, type Manner, type TakenBack } from './journal/takenBack.js';
export { countsOfRun, operationsOfRun } from './journal/operationsOfRun.js';
export { applyDecisionChanges, decidedBeside, decisionChanges, type DecisionChange } from './plan/decisionChanges.js';
export type { Answer, BringOrLeave, Choices, Turn, Decisions, LandingState } from './schemas/choices.js';
export type { Course, CourseHead, Item, ItemState, Link, Mark, Moment } from './schemas/course.js';
export type { PlanPolicy } from './schemas/planPolicy.js';
export type {
  Landing,
  NarrowPolicy,
  RetimeJob,
  RetimeMoment,
  Role,
  RuleName,
  TermSide,
  WeekdayMap,
} from './schemas/retimeJob.js';
export * from './api/calendars.js';
export * from './api/courses.js';
export * from './api/news.js';
export * from './api/people.js';
export * from './api/plans.js';
export * from './api/recipes.js';
export { addressesIn, addressOfKey, keyAddressed, withKeysOf } from './words/text/addresses.js';
export { actsMeant, kindsMeant, type ActName } from './find/everydayWords.js';
export { findableWords, type FindableCourse, holdsWords, nearlyBegins, wordsAsked, wordsIn } from './find/findWords.js';
export * from './rights/rights.js';
export { firstFew } from './firstFew.js';
export { groupBy } from './groupBy.js';
