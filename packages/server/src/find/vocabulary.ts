import { nearlyBegins } from '@yarin/core';
import type { EntityManager } from 'typeorm';

const MOST_NEAR = 24;

/** Every word of letters that some course is found by, kept in memory for those who mistype one. */
export class Vocabulary {
  private words: readonly string[] = [];
  private newest: number | null = null;

  constructor(private readonly manager: EntityManager) {}

  private async read(): Promise<readonly string[]> {
    const [{ newest }] = (await this.manager.query<{ newest: number | null }[]>(
      'SELECT max(rowid) AS newest FROM find_word',
    )) as [{ newest: number | null }];
    if (newest !== this.newest) {
      const rows = await this.manager.query<{ word: string }[]>('SELECT word FROM find_word');
      this.words = rows.map(({ word }) => word);
      this.newest = newest;
    }
    return this.words;
  }

  /** The words that are what was typed but for one letter; none when some word begins with it as it is. The shortest first. */
  async near(typed: string): Promise<string[]> {
    const words = await this.read();
    if (words.some((word) => word.startsWith(typed))) return [];
    return words
      .filter((word) => nearlyBegins(typed, word))
      .sort((a, b) => a.length - b.length)
      .slice(0, MOST_NEAR);
  }
}
