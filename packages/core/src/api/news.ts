// What open pages ask again and again.

/** A run into a shell while it goes, whoever pressed; `share` from 0 to 1. */
export interface RunUnderWay {
  readonly planId: string;
  readonly by: string;
  readonly share: number;
}

/** Whether what a page shows of a course still stands; another version, and it does not. */
export interface CourseNews {
  readonly version: number;
  readonly running: RunUnderWay | null;
}

/** The same of a plan: its own version, and what it is computed from beside its decisions (`PlanView.stands`). */
export interface PlanNews extends CourseNews {
  readonly stands: string;
}
