/** What holds for the whole institution. */
export const INSTITUTION = { name: 'Marrowbrook College', timeZone: 'America/Chicago' } as const;
