import { SessionRow } from '../database/entities/session.js';
import type { Command } from '../database/command.js';

export type SavedSession = SessionRow & { readonly now: number };
export type TouchedSession = Pick<SessionRow, 'id' | 'expiresAt'>;

/** Keeps a session, and drops those that have ended. */
export const saveSession: Command<SavedSession, void> = async ({ manager }, { now, ...session }) => {
  await manager.upsert(SessionRow, session, ['id']);
  await manager.query('DELETE FROM session WHERE expires_at < ?', [now]);
};

/** Lets a session last on that is still there. */
export const touchSession: Command<TouchedSession, void> = async ({ manager }, { id, expiresAt }) => {
  await manager.update(SessionRow, { id }, { expiresAt });
};

export const dropSession: Command<string, void> = async ({ manager }, id) => {
  await manager.delete(SessionRow, { id });
};
