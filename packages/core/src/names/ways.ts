/** Ways of handing in. */
export const WAYS = ['file', 'text', 'link', 'recording', 'paper'] as const;
