import Sequencer from '@jest/test-sequencer';

/** Files that take longest, the longest first: begun last, one would be waited for while the other processors have nothing to do. */
const LONG = ['killing', 'plainReading', 'fuzzRoutes', 'longTexts'];

const place = ({ path }) => {
  const at = LONG.findIndex((name) => path.endsWith(`/${name}.test.ts`));
  return at < 0 ? LONG.length : at;
};

export default class LongFirst extends Sequencer {
  sort(tests) {
    return super.sort(tests).toSorted((a, b) => place(a) - place(b));
  }
}
