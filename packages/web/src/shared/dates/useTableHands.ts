import type { Ref } from 'vue';
import { rowByKey } from '../rowByKey.js';

interface Table {
  readonly scroller: Readonly<Ref<HTMLElement | null>>;
  readonly length: () => number;
  readonly focused: () => number;
  readonly movable: () => boolean;
  /** Nothing is being edited, and dates may be moved. */
  readonly isFree: () => boolean;
  readonly go: (index: number) => void;
  readonly edit: () => void;
  readonly extend: (index: number, from: number) => void;
  readonly toggle: (index: number) => void;
  readonly all: () => void;
  readonly paste: (cells: readonly string[]) => void;
}

/** What keys and the clipboard do in the table of dates. */
export function useTableHands(table: Table) {
  function pressed(event: KeyboardEvent): void {
    if (event.target !== table.scroller.value) return;
    const from = table.focused();
    const to = rowByKey(event.key, from, table.length());
    if (to !== undefined) {
      table.go(to);
      if (event.shiftKey && table.movable()) table.extend(to, from);
    } else if (event.key === 'Enter') table.edit();
    else if (event.key === ' ' && table.movable()) table.toggle(from);
    else if (event.key === 'a' && (event.ctrlKey || event.metaKey) && table.movable()) table.all();
    else return;
    event.preventDefault();
  }

  /** A column out of a spreadsheet; of several columns the first. */
  function pasted(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (!table.isFree() || text.trim() === '') return;
    const cells = text.replace(/\r?\n$/, '').split(/\r?\n/);
    table.paste(cells.map((cell) => cell.split('\t')[0]!));
    event.preventDefault();
  }
  return { pressed, pasted };
}
