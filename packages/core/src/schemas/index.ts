export { calendarAdditionsSchema, calendarSchema, closureSchema, meetingSchema } from './calendar.js';
export { choicesSchema, decisionsSchema } from './choices.js';
export { courseSchema, itemSchema } from './course.js';
export {
  accessAnswerSchema,
  accessAskSchema,
  letInSchema,
  courseEditSchema,
  courseTimeEditSchema,
  courseTimeSchema,
  itemEditSchema,
  markEditSchema,
  momentMovesSchema,
  newItemSchema,
  newShellSchema,
  newTermSchema,
  placeSchema,
  readClosuresSchema,
  readTimetableSchema,
  termDraftSchema,
  termEditSchema,
} from './edits.js';
export { plannedSchema, planJobSchema } from './planJob.js';
export { proposedSchema, proposeJobSchema } from './proposeJob.js';
export { refreshedSchema, refreshJobSchema } from './refreshJob.js';
export { recipeChoicesSchema, recipeKnowsSchema, recipeLocksSchema } from './recipe.js';
export { retimedSchema } from './retimed.js';
export { retimeJobSchema } from './retimeJob.js';
