import { rmSync } from 'node:fs';

export default function endRun() {
  rmSync(process.env.YARIN_TEST_RUN, { recursive: true, force: true });
}
