import { Store, type SessionData } from 'express-session';
import type { DataSource } from 'typeorm';
import { SessionRow } from '../database/entities/session.js';
import type { Writer } from '../writer/writer.js';
import { SESSION_MS } from './sessionCommands.js';

/** Sessions in the database: read on the reading connection, written by the writer. */
export class SessionStore extends Store {
  constructor(
    private readonly reading: DataSource,
    private readonly writer: Writer,
  ) {
    super();
  }

  override get(id: string, callback: (error: unknown, session?: SessionData | null) => void): void {
    this.reading
      .getRepository(SessionRow)
      .findOneBy({ id })
      .then((row) => {
        const alive = row !== null && row.expiresAt > Date.now();
        callback(null, alive ? (JSON.parse(row.data) as SessionData) : null);
      })
      .catch(callback);
  }

  override set(id: string, session: SessionData, callback?: (error?: unknown) => void): void {
    const row = { id, data: JSON.stringify(session), expiresAt: Date.now() + SESSION_MS };
    this.writer.run('saveSession', row).then(() => callback?.(), callback);
  }

  override destroy(id: string, callback?: (error?: unknown) => void): void {
    this.writer.run('dropSession', id).then(() => callback?.(), callback);
  }
}
