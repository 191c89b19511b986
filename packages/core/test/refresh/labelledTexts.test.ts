import { expect, it } from '@jest/globals';
import { measureTexts } from '../labelled/measureTexts.js';

it('words of the old term are found and replaced in texts that a person labelled', () => {
  const { marked, precision, recall, right, mistakes } = measureTexts();
  expect(marked).toBeGreaterThanOrEqual(80);
  expect({ mistakes, precision: precision >= 0.97, recall: recall >= 0.95, right: right >= 0.98 }).toEqual({
    mistakes,
    precision: true,
    recall: true,
    right: true,
  });
});
