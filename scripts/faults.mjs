// npm run faults, npm run faults:api: the long forms of two tests. A thousand kills in the middle of what is written; fifty
// thousand requests made by chance (FUZZ_SEED says which, it is printed).
import { spawnSync } from 'node:child_process';

const LONG = {
  kills: { test: 'packages/server/test/killing', env: { KILLS: process.env.KILLS ?? '1000' } },
  api: {
    test: 'packages/server/test/fuzzRoutes',
    env: {
      FUZZ_REQUESTS: process.env.FUZZ_REQUESTS ?? '50000',
      FUZZ_SEED: process.env.FUZZ_SEED ?? String(Date.now() % 2 ** 31),
    },
  },
};
const HOURS_MS = 3 * 60 * 60 * 1000;
const chosen = LONG[process.argv[2]];
if (chosen === undefined) {
  console.error('Say which: kills or api.');
  process.exit(2);
}
console.log(chosen.env);
const { status } = spawnSync('npx', ['jest', `--testTimeout=${HOURS_MS}`, chosen.test], {
  stdio: 'inherit',
  env: {
    ...process.env,
    ...chosen.env,
    YARIN_THREADS: 'built',
    NODE_OPTIONS: '--experimental-vm-modules --no-warnings',
  },
});
process.exit(status ?? 1);
