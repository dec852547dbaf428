/** The families of saws the trade tells apart; straight western saws are worked first. */
export const STRAIGHT_FAMILIES = ['hand', 'back'] as const;
export type StraightFamily = (typeof STRAIGHT_FAMILIES)[number];

/** Which way the wood's grain runs for the teeth: along it or across it. */
export const FILINGS = ['rip', 'crosscut'] as const;
export type Filing = (typeof FILINGS)[number];
/** Filings of all families: a combination blade has scorers and rakers for both. */
export const ALL_FILINGS = [...FILINGS, 'combination'] as const;
export type AnyFiling = (typeof ALL_FILINGS)[number];

/** How the stiffening back is fixed, which decides whether a wavy line can be cured. */
export const BACK_FIXINGS = ['folded', 'slotted', 'none'] as const;
export type BackFixing = (typeof BACK_FIXINGS)[number];

/** What the work asks of the set. */
export const WOODS = ['dry-hard', 'dry-soft', 'green'] as const;
export type Wood = (typeof WOODS)[number];

export interface SawPattern {
  readonly id: string;
  readonly name: string;
  readonly family: StraightFamily;
  readonly filing: Filing;
  readonly points: number;
  readonly toothLineMm: number;
  readonly plateThicknessMm: number;
  readonly plateDepthHeelMm: number;
  readonly plateDepthToeMm: number;
}

/**
 * Ordinary patterns offered by picture at the counter, with the sizes usual for
 * each; every number can be changed there. Source: common practice, no source.
 */
export const SAW_PATTERNS: readonly SawPattern[] = [
  pattern('dovetail', 'Dovetail saw', 'back', 'rip', 17, 225, 0.5, 45, 45),
  pattern('carcase', 'Carcase saw', 'back', 'crosscut', 14, 280, 0.6, 60, 60),
  pattern('tenon', 'Tenon saw', 'back', 'rip', 12, 355, 0.75, 85, 80),
  pattern('panel', 'Panel saw', 'hand', 'crosscut', 10, 555, 0.8, 150, 60),
  pattern('rip', 'Rip hand saw', 'hand', 'rip', 5, 660, 0.95, 180, 70),
  pattern('crosscut', 'Crosscut hand saw', 'hand', 'crosscut', 8, 660, 0.9, 175, 70),
];

function pattern(
  id: string,
  name: string,
  family: StraightFamily,
  filing: Filing,
  points: number,
  toothLineMm: number,
  plateThicknessMm: number,
  plateDepthHeelMm: number,
  plateDepthToeMm: number,
): SawPattern {
  return { id, name, family, filing, points, toothLineMm, plateThicknessMm, plateDepthHeelMm, plateDepthToeMm };
}
