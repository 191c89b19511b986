import { readFileSync } from 'node:fs';
import { readCalendarFile, readDateSheet, readMeetingFile, readRoster, type Roster } from '@yarin/formats';
import type { Begun } from '../threads/threadPool.js';

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

interface ReaderTask extends Begun {
  readonly name: ReaderName;
  readonly input: readonly unknown[];
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
