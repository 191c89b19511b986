import { fileURLToPath } from 'node:url';

/** What the server is started with, from the environment. */
export interface Config {
  readonly dataFolder: string;
  /** 0 asks for any free port. */
  readonly port: number;
  readonly fixedNow: string | undefined;
  readonly logLevel: string;
  readonly webFolder: string;
  readonly demoFolder: string;
}

const inProject = (path: string): string => fileURLToPath(new URL(`../../../${path}`, import.meta.url));

export function readConfig(env: NodeJS.ProcessEnv): Config {
  const port = Number(env.YARIN_PORT ?? 0);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`YARIN_PORT has to be a port from 0 to 65535, not “${env.YARIN_PORT}”.`);
  return {
    dataFolder: env.YARIN_DATA ?? inProject('var/demo'),
    port,
    fixedNow: env.YARIN_NOW,
    logLevel: env.YARIN_LOG ?? 'warn',
    webFolder: inProject('packages/web/dist'),
    demoFolder: env.YARIN_DEMO ?? inProject('demo'),
  };
}
