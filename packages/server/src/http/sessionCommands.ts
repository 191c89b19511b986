import { SessionRow } from '../database/entities/session.js';
import type { Command } from '../writer/command.js';

export const saveSession: Command<SessionRow, void> = async ({ manager }, session) => {
  await manager.upsert(SessionRow, session, ['id']);
  await manager.query('DELETE FROM session WHERE expires_at < ?', [session.expiresAt - SESSION_MS]);
};

export const dropSession: Command<string, void> = async ({ manager }, id) => {
  await manager.delete(SessionRow, { id });
};

export const SESSION_MS = 12 * 60 * 60 * 1000;
