// npm run bench: prints times and their ratio to what they are measured against in the same run. Never a test.
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

const BENCHES = [
  ['packages/core/bench/retime.ts', 'tsconfig.base.json'],
  ['packages/core/bench/careful.ts', 'tsconfig.base.json'],
  ['packages/core/bench/findings.ts', 'tsconfig.base.json'],
  ['packages/core/bench/texts.ts', 'tsconfig.base.json'],
  ['packages/core/bench/choosing.ts', 'tsconfig.base.json'],
  ['packages/server/bench/bring.ts', 'packages/server/tsconfig.json'],
  ['packages/server/bench/find.ts', 'packages/server/tsconfig.json'],
  ['packages/server/bench/answering.ts', 'packages/server/tsconfig.json'],
  ['packages/server/bench/load.ts', 'packages/server/tsconfig.json'],
];
for (const [file, tsconfig] of BENCHES) {
  console.log(`\n— ${file}`);
  const { status } = spawnSync(process.execPath, ['--conditions=development', '--import', 'tsx', file], {
    stdio: 'inherit',
    env: { ...process.env, TSX_TSCONFIG_PATH: tsconfig },
  });
  if (status !== 0) process.exit(status ?? 1);
}

const assets = 'packages/web/dist/assets';
console.log('\n— scripts of the web application');
if (existsSync(assets)) {
  const page = readFileSync('packages/web/dist/index.html', 'utf8');
  const first = [...page.matchAll(/assets\/([^"]+\.js)/g)]
    .map(([, name]) => gzipSync(readFileSync(`${assets}/${name}`)).length)
    .reduce((sum, size) => sum + size, 0);
  const sizes = readdirSync(assets)
    .filter((name) => name.endsWith('.js'))
    .map((name) => gzipSync(readFileSync(`${assets}/${name}`)).length);
  const total = sizes.reduce((sum, size) => sum + size, 0) / 1000;
  console.log(`what every page loads first: ${(first / 1000).toFixed(0)} kB gzip; limit of a first load 350`);
  console.log(
    `all of them together, the text editor too, which loads when something is edited: ${total.toFixed(0)} kB gzip`,
  );
} else console.log('not built yet; npm run build makes them');
