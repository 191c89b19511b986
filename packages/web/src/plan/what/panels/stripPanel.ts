import type { FindingName } from '@yarin/core';

/** What the strip over the spread can open. */
export type StripPanel = FindingName | 'answers' | 'how' | 'recipes' | 'sources' | 'gone' | 'own' | 'proposed';
