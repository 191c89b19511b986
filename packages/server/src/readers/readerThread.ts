import { readFileSync } from 'node:fs';
import type { MessagePort } from 'node:worker_threads';
import { readCalendarFile, readDateSheet, readMeetingFile, readRoster, type Roster } from '@yarin/formats';

/** What reads the files that people send, by name. Everything goes in and out by value. */
const READERS = {
  closures: readCalendarFile,
  meetings: readMeetingFile,
  sheet: readDateSheet,
  roster: rosterAt,
};
export type ReaderName = keyof typeof READERS;
export type ReaderInput<Name extends ReaderName> = Parameters<(typeof READERS)[Name]>;
export type ReaderOutput<Name extends ReaderName> = ReturnType<(typeof READERS)[Name]>;

export interface ReaderTask {
  readonly name: ReaderName;
  readonly input: readonly unknown[];
  /** Told when the work begins: waiting for a thread does not count. */
  readonly begun: MessagePort;
}

/** Runs in a thread of its own, which is ended when it takes too much. */
export function read({ name, input, begun }: ReaderTask): unknown {
  begun.postMessage(null);
  return (READERS[name] as (...given: readonly unknown[]) => unknown)(...input);
}

/** @param paths  where the uploaded files lie, by name without ending */
function rosterAt(paths: Readonly<Record<string, string>>): Roster {
  return readRoster(
    Object.fromEntries(Object.entries(paths).map(([name, path]) => [name, readFileSync(path, 'utf8')])),
  );
}
