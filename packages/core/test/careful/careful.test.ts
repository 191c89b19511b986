import { describe, expect, it } from '@jest/globals';
import { CAREFUL_PAIRS } from './pairs.js';
import { measureCareful } from './measureCareful.js';

const measured = CAREFUL_PAIRS.map(measureCareful);
const all = (of: (each: (typeof measured)[number]) => number): number =>
  measured.reduce((sum, each) => sum + of(each), 0);

describe('what is proposed for courses of other shapes, beside what a careful teacher would do', () => {
  it('has twelve pairs of 25 to 60 dates', () => {
    expect(measured).toHaveLength(12);
    for (const { dates } of measured) {
      expect(dates).toBeGreaterThanOrEqual(25);
      expect(dates).toBeLessThanOrEqual(60);
    }
  });
  it('puts at most 2 of 100 dates elsewhere without saying so', () => {
    expect(all(({ silentlyWrong }) => silentlyWrong.length) / all(({ dates }) => dates)).toBeLessThanOrEqual(0.02);
  });
  it('asks about at most 7 of 100 dates without need', () => {
    expect(all(({ doubtedWithoutNeed }) => doubtedWithoutNeed.length) / all(({ dates }) => dates)).toBeLessThanOrEqual(
      0.07,
    );
  });
  it.each(measured)('says what has one cause once: $name', ({ lines, causes, doubtedWithoutNeed }) => {
    expect(lines).toBeLessThanOrEqual(causes + (doubtedWithoutNeed.length > 0 ? 1 : 0));
  });
  it('offers what puts every doubted date right that stands wrong', () => {
    expect(all(({ settled }) => settled)).toBe(all(({ toSettle }) => toSettle));
  });
});
