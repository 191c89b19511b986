import { addCourse, addPeople, addTerms, addLearnerRecords } from './courses/courseWriter.js';
import { changeCourseTime } from './courses/edit/courseTime.js';
import { addTerm, changeTerm, removeTerm } from './terms/termCommands.js';
import { answerAccess, askAccess, letIn } from './access/accessCommands.js';
import { addItem, placeItem, removeItem } from './courses/edit/arrangeItems.js';
import { duplicateItem } from './courses/edit/duplicateItem.js';
import { addShell, archiveCourse, editCourse, removeShell } from './courses/edit/editCourse.js';
import { editItem } from './courses/edit/editItem.js';
import { moveMoments } from './courses/edit/moveMoments.js';
import { markItem } from './courses/edit/markItem.js';
import { addRecipe, changeRecipe, removeRecipe } from './recipes/recipeCommands.js';
import { styleDates } from './people/personCommands.js';
import { loadRoster } from './roster/loadRoster.js';
import { saveSession, dropSession, touchSession } from './http/sessionCommands.js';
import { changeSources, followSections, openPlan, saveDecisions, seePlan } from './plans/planCommands.js';
import { bring } from './runs/bring.js';
import { putBackItem } from './takeBack/putBackItem.js';
import { takeBack } from './takeBack/takeBack.js';
import { takeBackRun } from './takeBack/takeBackRun.js';
import { probe } from './writer/probe.js';

/** Everything that writes, by name. */
export const COMMANDS = {
  addTerms,
  addPeople,
  addCourse,
  addLearnerRecords,
  loadRoster,
  editItem,
  addItem,
  placeItem,
  removeItem,
  putBackItem,
  duplicateItem,
  markItem,
  moveMoments,
  editCourse,
  archiveCourse,
  addShell,
  removeShell,
  askAccess,
  letIn,
  answerAccess,
  saveSession,
  dropSession,
  touchSession,
  styleDates,
  openPlan,
  changeSources,
  saveDecisions,
  seePlan,
  followSections,
  addTerm,
  changeTerm,
  removeTerm,
  changeCourseTime,
  addRecipe,
  changeRecipe,
  removeRecipe,
  bring,
  takeBack,
  takeBackRun,
  probe,
};

export type CommandName = keyof typeof COMMANDS;
export type CommandInput<Name extends CommandName> = Parameters<(typeof COMMANDS)[Name]>[1];
export type CommandOutput<Name extends CommandName> = Awaited<ReturnType<(typeof COMMANDS)[Name]>>;
