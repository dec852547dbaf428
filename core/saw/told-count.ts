/**
 * A count this far from the one told is another saw's: a tooth or two are lost at heel and toe,
 * and people miscount by as much in a hundred. No source.
 */
const COUNT_SHARE = 0.05;
const COUNT_TEETH = 2;

/** How far a count may be from the told one and still mean the same line. Teeth. */
export const countSlack = (told: number): number => Math.max(COUNT_TEETH, COUNT_SHARE * told);

/** Teeth of the saw were left out. */
export const isReadInPart = (read: number, told: number): boolean => read < told - countSlack(told);
