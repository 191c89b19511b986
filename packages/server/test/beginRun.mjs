import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A folder for what the tests of one run share. */
export default function beginRun() {
  process.env.YARIN_TEST_RUN = mkdtempSync(join(tmpdir(), 'yarin-run-'));
}
