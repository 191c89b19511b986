import { MARK_WORDS, type Mark } from '@yarin/core';
import { MarkRow } from '../../database/entities/item.js';
import { noteDeed } from '../../history/deeds.js';
import type { Command } from '../../database/command.js';
import { itemToEdit, type EditOf } from './editing.js';

export interface Marking extends EditOf {
  readonly key: string;
  readonly mark: NonNullable<Mark['mark']> | null;
  readonly note: string | null;
}

/** Puts a mark or a note to next term beside an item; the item and its course stay as they are. Neither takes it away. */
export const markItem: Command<Marking, void> = async ({ manager }, { courseId, key, mark, note, doer, at }) => {
  const item = await itemToEdit(manager, courseId, key);
  const words = note?.trim() ?? '';
  if (mark === null && words === '') await manager.delete(MarkRow, { courseId, itemKey: key });
  else
    await manager.upsert(
      MarkRow,
      {
        courseId,
        itemKey: key,
        mark,
        note: words === '' ? null : words,
        personId: doer.forPersonId ?? doer.personId,
        at,
      },
      ['courseId', 'itemKey'],
    );
  // Plans that are open compute anew: a mark decides what comes.
  await manager.query('UPDATE course SET version = version + 1 WHERE id = ?', [courseId]);
  const what = mark === null ? (words === '' ? 'no mark' : 'a note to next term') : MARK_WORDS[mark];
  await noteDeed(manager, doer, { courseId, at, what: `marked “${item.title}”: ${what}`, itemKey: key });
};
