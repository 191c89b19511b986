// Writes docs/formats/*.schema.json from the schemas that the server and the headless commands validate with.
// With --check it only says which file is not up to date.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import {
  courseSchema,
  plannedSchema,
  planJobSchema,
  proposedSchema,
  proposeJobSchema,
  refreshedSchema,
  refreshJobSchema,
  retimedSchema,
  retimeJobSchema,
} from '@yarin/core/schemas';

const SCHEMAS = {
  course: courseSchema,
  'retime-job': retimeJobSchema,
  retimed: retimedSchema,
  'propose-job': proposeJobSchema,
  proposed: proposedSchema,
  'plan-job': planJobSchema,
  plan: plannedSchema,
  'refresh-job': refreshJobSchema,
  refreshed: refreshedSchema,
};

let stale = 0;
for (const [name, schema] of Object.entries(SCHEMAS)) {
  const file = `docs/formats/${name}.schema.json`;
  const text = `${JSON.stringify({ $schema: 'https://json-schema.org/draft/2020-12/schema', ...schema }, null, 2)}\n`;
  if (existsSync(file) && readFileSync(file, 'utf8') === text) continue;
  if (process.argv.includes('--check')) {
    console.error(`${file} is not what the code says; run npm run formats.`);
    stale++;
  } else writeFileSync(file, text);
}
process.exitCode = stale > 0 ? 1 : 0;
