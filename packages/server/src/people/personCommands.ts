import { USUAL_DATES, type DateStyle } from '@yarin/core';
import { PersonRow } from '../database/entities/person.js';
import type { Command } from '../database/command.js';

/** What a person changes in how they read dates; the rest stays, also as another window left it. */
export const styleDates: Command<{ readonly person: string; readonly change: Partial<DateStyle> }, void> = async (
  { manager },
  { person, change },
) => {
  const { dateStyle: before } = await manager.findOneByOrFail(PersonRow, { id: person });
  await manager.update(PersonRow, { id: person }, { dateStyle: { ...(before ?? USUAL_DATES), ...change } });
};
