/**
 * Something wrong with what was handed in. Problems are values: nothing in the core throws for bad input.
 *
 * `where` is a JSON Pointer into the input, `message` a sentence that says what would be right.
 */
export interface Problem {
  readonly code: string;
  readonly message: string;
  readonly where: string;
}

export type Result<Value> =
  { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly problems: readonly Problem[] };

export const succeed = <Value>(value: Value): Result<Value> => ({ ok: true, value });
export const fail = (problems: readonly Problem[]): Result<never> => ({ ok: false, problems });

/** A name as a part of a JSON Pointer. */
export const pointerPart = (name: string): string => name.replaceAll('~', '~0').replaceAll('/', '~1');
