// npm run bench: prints times and their ratio to what they are measured against in the same run. Never a test.
import { spawnSync } from 'node:child_process';

const BENCHES = [
  ['packages/core/bench/retime.ts', 'tsconfig.base.json'],
  ['packages/server/bench/bring.ts', 'packages/server/tsconfig.json'],
];
for (const [file, tsconfig] of BENCHES) {
  console.log(`\n— ${file}`);
  const { status } = spawnSync(process.execPath, ['--conditions=development', '--import', 'tsx', file], {
    stdio: 'inherit',
    env: { ...process.env, TSX_TSCONFIG_PATH: tsconfig },
  });
  if (status !== 0) process.exit(status ?? 1);
}
