import type { ComparedRow } from '@yarin/core';

/** Which things of two courses are shown. */
export const SHOWN = ['unlike', 'left', 'right', 'alike', 'all'] as const;
export type Shown = (typeof SHOWN)[number];

export function isShown({ left, right, differs }: ComparedRow, shown: Shown): boolean {
  switch (shown) {
    case 'all':
      return true;
    case 'left':
      return right === undefined;
    case 'right':
      return left === undefined;
    case 'unlike':
      return differs.length > 0;
    case 'alike':
      return left !== undefined && right !== undefined && differs.length === 0;
  }
}
