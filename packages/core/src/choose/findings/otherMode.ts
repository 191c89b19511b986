import { findModeWords, type Mode } from '../../words/english/findModeWords.js';
import type { FindingRule } from './finding.js';

const MODES: readonly string[] = ['on site', 'online', 'mixed'] satisfies Mode[];
const modeOf = (mode: string | undefined): Mode | undefined =>
  mode !== undefined && MODES.includes(mode.toLowerCase()) ? (mode.toLowerCase() as Mode) : undefined;

/** The text says in words the mode that the course had, and the shell's differs. */
export const otherMode: FindingRule = ({ source, shell, words }) => {
  const old = modeOf(source.course.course.mode);
  const now = modeOf(shell.course.course.mode);
  if (old === undefined || now === undefined || old === now) return [];
  return source.items.flatMap((item) => {
    if (item.kind === 'courseSettings') return [];
    const [first] = findModeWords(source.proseOf(item), old, now, words);
    if (first === undefined) return [];
    return [
      { item: item.id, finding: 'otherMode', evidence: `“${first.text}”, ${old} then, ${now} now`, default: 'ask' },
    ];
  });
};
