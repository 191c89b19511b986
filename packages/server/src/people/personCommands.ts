import type { DateStyle } from '@yarin/core';
import { PersonRow } from '../database/entities/person.js';
import type { Command } from '../writer/command.js';

/** How a person reads dates from now on. */
export const styleDates: Command<{ readonly person: string; readonly dateStyle: DateStyle }, void> = async (
  { manager },
  { person, dateStyle },
) => {
  await manager.update(PersonRow, { id: person }, { dateStyle });
};
