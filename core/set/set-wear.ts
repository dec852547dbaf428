/** How a set tooth is bent: sharply at one place, or in an arc over the bent length. */
export type BendModel = 'hinge' | 'arc';

/** The part of a tooth that is bent: its top third (geometry section 6). */
export const BENT_SHARE = 1 / 3;

/** Length of tooth bent by the set tool, mm. */
export const bentLengthMm = (toothHeightMm: number): number => toothHeightMm * BENT_SHARE;

/**
 * Set left after `filedMm` came off the tips since the tooth was set: hinge
 * s (1 - dy/l), arc s (1 - dy/l)^2, none when the bent part is filed away.
 * mm. Example: height 0.978, 0.1 mm filed -> 69 % (hinge), 48 % (arc).
 */
export function setLeftMm(setMm: number, filedMm: number, toothHeightMm: number, bend: BendModel): number {
  if (!(toothHeightMm > 0)) throw new RangeError('A tooth needs a height.');
  const left = Math.max(0, 1 - Math.max(0, filedMm) / bentLengthMm(toothHeightMm));
  return setMm * (bend === 'hinge' ? left : left * left);
}

/** Below this share of the wanted set the saw binds soon: reset. Common practice, no source. */
export const RESET_BELOW_SHARE = 0.6;

/**
 * Filings a set lasts: the first after which less than `leastShare` of the wanted set is left, by the
 * hinge, and `most` where it is renewed after so many whatever is left. mm. O(filings).
 * Example: a 15-point rip tooth 0.978 high, set as wanted, 0.05 a filing -> 3.
 */
export function filingsUntilReset(
  setMm: number,
  targetMm: number,
  perSharpeningMm: number,
  toothHeightMm: number,
  { leastShare = RESET_BELOW_SHARE, most = Infinity }: { readonly leastShare?: number; readonly most?: number } = {},
): number {
  if (!(perSharpeningMm > 0)) throw new RangeError('A sharpening must take some metal.');
  if (!(targetMm > 0)) throw new RangeError('The wanted set must be above zero.');
  let filings = 0;
  let left = setMm;
  while (filings < most && left > 0 && left >= leastShare * targetMm) {
    filings++;
    left = setLeftMm(setMm, filings * perSharpeningMm, toothHeightMm, 'hinge');
  }
  return filings;
}
