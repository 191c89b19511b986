import type { DeskSentencesView, DeskView } from '@yarin/core';
import { get } from './client.js';

export const fetchDesk = () => get<DeskView>('/desk');
/** What plans say that were being worked out; answered when all are, or after a while with those that are. */
export const fetchDeskSentences = () => get<DeskSentencesView>('/desk/sentences');
