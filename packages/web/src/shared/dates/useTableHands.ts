import type { Ref } from 'vue';

interface Table {
  readonly scroller: Readonly<Ref<HTMLElement | null>>;
  readonly length: () => number;
  readonly focused: () => number;
  readonly movable: () => boolean;
  /** Nothing is being edited, and dates may be moved. */
  readonly isFree: () => boolean;
  /** Goes to a row, as far as there is one; returns where it came to. */
  readonly go: (index: number) => number;
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
    const moves: Record<string, number> = {
      ArrowDown: from + 1,
      ArrowUp: from - 1,
      Home: 0,
      End: table.length() - 1,
    };
    const to = moves[event.key];
    if (to !== undefined) {
      const index = table.go(to);
      if (event.shiftKey && table.movable()) table.extend(index, from);
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
