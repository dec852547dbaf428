/** Saws with a line of teeth from one end to the other, jointed and worked on the drawn line. */
export const LINE_FAMILIES = ['hand', 'back', 'pull', 'crosscut'] as const;
export type LineFamily = (typeof LINE_FAMILIES)[number];

/** Which way the wood's grain runs for the teeth: along it or across it. */
export const FILINGS = ['rip', 'crosscut'] as const;
export type Filing = (typeof FILINGS)[number];
/** Filings of all families: a combination blade has scorers and rakers for both. */
export const ALL_FILINGS = [...FILINGS, 'combination'] as const;
export type AnyFiling = (typeof ALL_FILINGS)[number];

/** Which way the teeth cut: a pull saw is worked out as the mirror image of a push saw. */
export const CUTS = ['push', 'pull'] as const;
export type Cut = (typeof CUTS)[number];

/** How the stiffening back is fixed, which decides whether a wavy line can be cured. */
export const BACK_FIXINGS = ['folded', 'slotted', 'none'] as const;
export type BackFixing = (typeof BACK_FIXINGS)[number];

/** What the work asks of the set. */
export const WOODS = ['dry-hard', 'dry-soft', 'green'] as const;
export type Wood = (typeof WOODS)[number];
