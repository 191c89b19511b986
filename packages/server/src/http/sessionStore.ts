import { Store, type SessionData } from 'express-session';
import type { DataSource } from 'typeorm';
import type { SavedSession, TouchedSession } from './sessionCommands.js';

/** How often within its time a session that is used is written anew. */
const TOUCHES_A_TERM = 20;
const MOST_KEPT = 20_000;

/** How sessions are written. */
export interface SessionWriting {
  readonly save: (session: SavedSession) => Promise<void>;
  readonly touch: (session: TouchedSession) => Promise<void>;
  readonly drop: (id: string) => Promise<void>;
}

/** Sessions in the database: read on the reading connection, written by the writer. */
export class SessionStore extends Store {
  /** By session, when it was last written. */
  private readonly kept = new Map<string, number>();

  constructor(
    private readonly reading: DataSource,
    private readonly writing: SessionWriting,
    /** A session that nobody used for so long ends. */
    private readonly idleMs: number,
  ) {
    super();
  }

  override get(id: string, callback: (error: unknown, session?: SessionData | null) => void): void {
    // Asked at every request: without what building a query costs.
    this.reading
      .query<{ data: string }[]>('SELECT data FROM session WHERE id = ? AND expires_at > ?', [id, Date.now()])
      .then(([row]) => callback(null, row === undefined ? null : (JSON.parse(row.data) as SessionData)))
      .catch(callback);
  }

  override set(id: string, session: SessionData, callback?: (error?: unknown) => void): void {
    const now = Date.now();
    this.keep(id, now);
    const row = { id, data: JSON.stringify(session), expiresAt: now + this.idleMs, now };
    this.writing.save(row).then(() => callback?.(), callback);
  }

  /** It was used: it lasts on. Written now and then, not at every request, and nobody waits for it. */
  override touch(id: string, _session: SessionData, callback?: () => void): void {
    const now = Date.now();
    if (now - (this.kept.get(id) ?? 0) >= this.idleMs / TOUCHES_A_TERM) {
      this.keep(id, now);
      // One that was ended meanwhile stays so. What can't be written now is written the next time.
      this.writing.touch({ id, expiresAt: now + this.idleMs }).catch(() => this.kept.delete(id));
    }
    callback?.();
  }

  private keep(id: string, now: number): void {
    if (this.kept.size >= MOST_KEPT) this.kept.clear();
    this.kept.set(id, now);
  }

  override destroy(id: string, callback?: (error?: unknown) => void): void {
    this.kept.delete(id);
    this.writing.drop(id).then(() => callback?.(), callback);
  }
}
