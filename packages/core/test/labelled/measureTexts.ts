import { refresh } from '../../src/refresh/refresh.js';
import { LABELLED_TEXTS, type LabelledTexts } from './staleTexts.js';

/** How well stale words are found in labelled texts, and replaced. */
export interface TextQuality {
  readonly marked: number;
  /** Of what is proposed, the share that a person marked; of what they marked, the share that is proposed. */
  readonly precision: number;
  readonly recall: number;
  /** Of what is both, the share with their words, and with their doubts. */
  readonly right: number;
  readonly mistakes: readonly string[];
}

export function measureTexts(texts: readonly LabelledTexts[] = LABELLED_TEXTS): TextQuality {
  const mistakes: string[] = [];
  let [marked, proposed, both, right] = [0, 0, 0, 0];
  for (const { name, job, expected } of texts) {
    const result = refresh(job);
    if (!result.ok) throw new Error(JSON.stringify(result.problems));
    for (const [item, marks] of expected) {
      const left = [...marks];
      marked += marks.length;
      for (const each of result.value.filter((one) => one.item === item)) {
        proposed++;
        const at = left.findIndex(([words, sort]) => words === each.text && sort === each.sort);
        if (at < 0) {
          mistakes.push(`${name}, ${item}: “${each.text}” (${each.sort}) should not be proposed`);
          continue;
        }
        const [[words, , instead, problem]] = left.splice(at, 1) as [(typeof marks)[number]];
        both++;
        if (each.replacement === instead && each.problem === problem) right++;
        else
          mistakes.push(
            `${name}, ${item}: “${words}” should be ${instead} ${problem ?? ''}, not ${each.replacement} ${each.problem ?? ''}`,
          );
      }
      for (const [words, sort] of left) mistakes.push(`${name}, ${item}: “${words}” (${sort}) is missed`);
    }
  }
  return { marked, precision: both / proposed, recall: both / marked, right: right / both, mistakes };
}
