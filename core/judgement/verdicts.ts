/** What the counter may answer, the mildest first. */
export const VERDICTS = ['take', 'take-if', 'decline'] as const;
export type Verdict = (typeof VERDICTS)[number];
