import { addCourse, addPeople, addTerms, addLearnerRecords } from '../courses/courseWriter.js';
import { saveSession, dropSession } from '../http/sessionCommands.js';
import { openPlan, saveDecisions } from '../plans/planCommands.js';
import { bring } from '../runs/bring.js';
import { takeBack } from '../runs/takeBack.js';

/** Everything that writes, by name. */
export const COMMANDS = {
  addTerms,
  addPeople,
  addCourse,
  addLearnerRecords,
  saveSession,
  dropSession,
  openPlan,
  saveDecisions,
  bring,
  takeBack,
};

export type CommandName = keyof typeof COMMANDS;
export type CommandInput<Name extends CommandName> = Parameters<(typeof COMMANDS)[Name]>[1];
export type CommandOutput<Name extends CommandName> = Awaited<ReturnType<(typeof COMMANDS)[Name]>>;
