export { calendarSchema, closureSchema, meetingSchema } from './calendar.js';
export { choicesSchema, decisionsSchema } from './choices.js';
export { courseSchema, itemSchema } from './course.js';
export { retimedSchema } from './retimed.js';
export { retimeJobSchema } from './retimeJob.js';
