import { AccessAskRow, DeedRow } from './access.js';
import { CounterRow } from './counter.js';
import { CourseRow, CourseStaffRow, FindWordRow } from './course.js';
import { BodyRow, ItemAliasRow, ItemLinkRow, ItemRow, MarkRow, MomentRow } from './item.js';
import { LearnerRecordRow } from './learner.js';
import { OperationRow } from './operation.js';
import { PersonRow } from './person.js';
import { RecipeRow } from './recipe.js';
import { FormerCodeRow, RosterLoadRow, RosterNoticeRow } from './roster.js';
import { LineageRow, PlanRow, RunRow } from './run.js';
import { SessionRow } from './session.js';
import { TermRow } from './term.js';

export const ENTITIES = [
  PersonRow,
  TermRow,
  CounterRow,
  CourseRow,
  CourseStaffRow,
  FindWordRow,
  ItemRow,
  ItemAliasRow,
  ItemLinkRow,
  MomentRow,
  BodyRow,
  MarkRow,
  LearnerRecordRow,
  PlanRow,
  RunRow,
  OperationRow,
  LineageRow,
  SessionRow,
  RecipeRow,
  AccessAskRow,
  DeedRow,
  FormerCodeRow,
  RosterNoticeRow,
  RosterLoadRow,
];
