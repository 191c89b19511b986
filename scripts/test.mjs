// npm test: installs what it needs, then lint, types, layers, unused code, unit and browser tests.
import { spawnSync } from 'node:child_process';
import { installWhenNeeded, needChromium, needCompiler } from './setUp.mjs';

needCompiler();
installWhenNeeded();
needChromium();

const STEPS = ['build', 'formats:check', 'lint', 'types', 'layers', 'unused', 'licences', 'test:unit', 'test:browser'];

for (const step of STEPS) {
  const begun = Date.now();
  console.log(`\n— ${step}`);
  const { status } = spawnSync('npm', ['run', '-s', step], {
    stdio: 'inherit',
    env: { ...process.env, YARIN_THREADS: 'built' },
  });
  console.log(`  ${step}: ${status === 0 ? 'good' : 'failed'} after ${Math.round((Date.now() - begun) / 1000)} s`);
  if (status !== 0) process.exit(status ?? 1);
}
