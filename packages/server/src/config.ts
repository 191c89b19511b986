import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';

/** What the server is started with, from the environment. */
export interface Config {
  readonly dataFolder: string;
  /** 0 asks for any free port. */
  readonly port: number;
  /** The address that it listens at. */
  readonly host: string;
  /** How many proxies stand before it, each of which says who asked. */
  readonly proxies: number;
  /** Browsers reach it by HTTPS: cookies are sent by that alone, and browsers are told to stay with it. */
  readonly isSecure: boolean;
  /** A session that nobody used for so long ends. */
  readonly idleMinutes: number;
  readonly fixedNow: string | undefined;
  readonly logLevel: string;
  readonly webFolder: string;
  readonly demoFolder: string;
  /** Threads that work out what is too heavy for the one that answers. */
  readonly queryThreads: number;
  /** Where backups stand. */
  readonly backupFolder: string;
  /** When one is made every night, `HH:mm`; none is when nothing is said. */
  readonly backupAt: string | undefined;
  /** How many stay, the latest. */
  readonly backupsKept: number;
}

export const USUAL_IDLE_MINUTES = 480;

/** Why Yarin can’t be started, in one sentence that says what to do. */
export class CannotStart extends Error {}

const inProject = (path: string): string => fileURLToPath(new URL(`../../../${path}`, import.meta.url));

export function readConfig(env: NodeJS.ProcessEnv): Config {
  const dataFolder = env.YARIN_DATA ?? inProject('var/demo');
  return {
    dataFolder,
    port: wholeNumber(env, 'YARIN_PORT', 0, 'a port', 0, 65_535),
    host: env.YARIN_HOST ?? '127.0.0.1',
    proxies: wholeNumber(env, 'YARIN_PROXIES', 0, 'a number of proxies', 0, 10),
    isSecure: wholeNumber(env, 'YARIN_SECURE', 0, '1 where browsers come by HTTPS, else 0; a number', 0, 1) === 1,
    idleMinutes: wholeNumber(env, 'YARIN_IDLE_MINUTES', USUAL_IDLE_MINUTES, 'minutes', 5, 10_080),
    fixedNow: env.YARIN_NOW,
    logLevel: env.YARIN_LOG ?? 'warn',
    webFolder: inProject('packages/web/dist'),
    demoFolder: env.YARIN_DEMO ?? inProject('demo'),
    queryThreads: wholeNumber(
      env,
      'YARIN_QUERY_THREADS',
      Math.max(2, availableParallelism() - 1),
      'a number of threads',
      1,
      64,
    ),
    backupFolder: env.YARIN_BACKUPS ?? `${dataFolder}-backups`,
    backupAt: timeOfDay(env, 'YARIN_BACKUP_AT'),
    backupsKept: wholeNumber(env, 'YARIN_BACKUPS_KEPT', 14, 'a number of backups', 1, 10_000),
  };
}

function timeOfDay(env: NodeJS.ProcessEnv, name: string): string | undefined {
  const value = env[name];
  if (value === undefined || /^(?:[01]\d|2[0-3]):[0-5]\d$/.test(value)) return value;
  throw new CannotStart(`${name} has to be a time of day as 03:30, not “${value}”.`);
}

function wholeNumber(
  env: NodeJS.ProcessEnv,
  name: string,
  usual: number,
  what: string,
  least: number,
  most: number,
): number {
  const value = Number(env[name] ?? usual);
  if (Number.isInteger(value) && value >= least && value <= most) return value;
  throw new CannotStart(`${name} has to be ${what} from ${least} to ${most}, not “${env[name]}”.`);
}
