import type { ProblemDetails } from '@yarin/core';

export interface CommandMessage {
  readonly id: number;
  readonly name: string;
  readonly input: unknown;
}

export type WriterMessage =
  | { readonly is: 'ready' }
  | { readonly is: 'progress'; readonly id: number; readonly share: number }
  | { readonly is: 'done'; readonly id: number; readonly output: unknown }
  | { readonly is: 'refused'; readonly id: number; readonly problem: ProblemDetails }
  | { readonly is: 'failed'; readonly id: number; readonly error: string };
