import { LABELLED, measureFindings } from '../test/labelled/measure.js';

// Precision and recall of every finding on the labelled courses of the tests.
const items = LABELLED.reduce((sum, { source }) => sum + source.items.length, 0);
console.log(`${LABELLED.length} labelled courses, ${items} items; aim: precision 0.97, recall 0.95`);
for (const { finding, labelled, precision, recall, mistakes } of measureFindings()) {
  console.log(
    `${finding.padEnd(22)} ${String(labelled).padStart(3)} labelled  precision ${precision.toFixed(3)}  recall ${recall.toFixed(3)}`,
  );
  for (const mistake of mistakes) console.log(`    ${mistake}`);
}
