import type { DeskView } from '@yarin/core';
import { get } from './client.js';

export const fetchDesk = () => get<DeskView>('/desk');
