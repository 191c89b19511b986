import type { RosterReport } from '@yarin/core';
import { get, post } from './client.js';

export const fetchLastLoad = () => get<{ last: RosterReport | null }>('/roster').then(({ last }) => last);
export function loadRoster(files: readonly File[]): Promise<RosterReport> {
  const form = new FormData();
  for (const file of files) form.append('files', file);
  return post<RosterReport>('/roster', form);
}
