import { describe, expect, it } from '@jest/globals';
import { LABELLED, measureFindings } from '../labelled/measure.js';

describe('findings on courses that a person labelled', () => {
  it('are measured on at least two hundred items', () => {
    const items = LABELLED.flatMap(({ source }) => source.items);
    expect(items.length).toBeGreaterThanOrEqual(200);
  });
  it.each(measureFindings())('$finding: precision 0.97, recall 0.95', ({ precision, recall, labelled, mistakes }) => {
    expect(labelled).toBeGreaterThan(0);
    expect({ mistakes, precision: precision >= 0.97, recall: recall >= 0.95 }).toEqual({
      mistakes,
      precision: true,
      recall: true,
    });
  });
});
