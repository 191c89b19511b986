import type { FoundView, When } from '@yarin/core';
import { get } from './client.js';

export interface FindQuery {
  readonly words?: string;
  readonly when?: When | undefined;
  readonly term?: string | undefined;
  readonly campus?: string | undefined;
  readonly template?: 'yes' | undefined;
  readonly mine?: 'yes' | undefined;
  readonly usable?: 'yes' | undefined;
  readonly holds?: 'yes' | undefined;
  readonly most?: number;
}

export function find(query: FindQuery): Promise<FoundView> {
  const given = Object.entries(query).flatMap(([name, value]) => (value === undefined ? [] : [[name, String(value)]]));
  return get<FoundView>(`/find?${new URLSearchParams(given).toString()}`);
}
