/** A thing of one of the sources of a plan, by the course and the id that it has there. */
export interface Origin {
  readonly course: string;
  readonly item: string;
}

export const originKey = (course: string, item: string): string => `${course} ${item}`;
