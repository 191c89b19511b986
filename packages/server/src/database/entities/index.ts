import { CourseRow, CourseStaffRow } from './course.js';
import { BodyRow, ItemAliasRow, ItemLinkRow, ItemRow, MarkRow, MomentRow } from './item.js';
import { LearnerRecordRow } from './learner.js';
import { PersonRow } from './person.js';
import { LineageRow, PlanRow, RunRow } from './run.js';
import { SessionRow } from './session.js';
import { TermRow } from './term.js';

export const ENTITIES = [
  PersonRow,
  TermRow,
  CourseRow,
  CourseStaffRow,
  ItemRow,
  ItemAliasRow,
  ItemLinkRow,
  MomentRow,
  BodyRow,
  MarkRow,
  LearnerRecordRow,
  PlanRow,
  RunRow,
  LineageRow,
  SessionRow,
];
