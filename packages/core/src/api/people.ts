import type { DateStyle } from '../calendar/dateStyle.js';
import type { Problem } from '../problem.js';
import type { PersonRole, Wanted } from '../rights/rights.js';
import type { CourseSummary, RosterNotice } from './courses.js';

// What the server answers about people, what they may, and what they asked for.

export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly role: PersonRole;
  /** The department that an administrator is limited to. */
  readonly department: string | null;
}

/** Who is signed in, and for whom they act. */
export interface SessionView {
  readonly person: PersonView;
  /** The administrator who acts for this person; `null` when somebody acts for themselves. */
  readonly actor: PersonView | null;
  /** How whoever signed in reads dates. */
  readonly dates: DateStyle;
}

/** A refusal as RFC 9457 says it, with the places of the single problems beside it. */
export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly problems?: readonly Problem[];
}

export interface AccessAsk {
  readonly id: string;
  readonly course: CourseSummary;
  readonly person: string;
  readonly wants: Wanted;
  readonly words: string;
  /** The owner let them in without being asked. */
  readonly unasked: boolean;
  readonly askedAt: string;
  readonly answer: 'granted' | 'refused' | 'withdrawn' | null;
  readonly answeredBy: string | null;
  readonly answeredAt: string | null;
  readonly answerWords: string;
}

export interface AccessView {
  readonly mine: readonly AccessAsk[];
  readonly askedOfMe: readonly AccessAsk[];
}

/** What loading a roster did. */
export interface RosterReport {
  readonly at: string;
  readonly by: string;
  readonly terms: { readonly added: number; readonly changed: number };
  readonly people: { readonly added: number; readonly changed: number };
  readonly sections: { readonly added: number; readonly changed: number; readonly cancelled: number };
  readonly learnersDropped: { readonly people: number; readonly enrolments: number };
  readonly notices: readonly RosterNotice[];
  /** Bad rows by file and line; the good ones were kept. */
  readonly problems: readonly Problem[];
}
