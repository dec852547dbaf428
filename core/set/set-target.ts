import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import type { StraightFamily, Wood } from '../saw/families';
import { MM_PER_THOU } from '../units/length';

export interface SetTarget {
  readonly perSideMm: number;
  readonly kerfMm: number;
  /** The table asked for more than half the plate; the plate's limit was taken. */
  readonly limitedByPlate: boolean;
  readonly reason: Reason;
}

/** Set per side in thou, for dry hard wood, dry soft wood and green wood (trade section 8). */
const SET_TABLE_THOU: Record<'fine' | 'hand', Record<Wood, number>> = {
  fine: { 'dry-hard': 2, 'dry-soft': 2.5, green: 3 },
  hand: { 'dry-hard': 4, 'dry-soft': 5, green: 7 },
};

/** Set per side is never above this share of the plate's thickness (geometry section 6). */
export const LARGEST_SET_SHARE = 0.5;

/**
 * Wanted set per side and the kerf it leaves: plate + both sides (geometry
 * section 1). Fine back saws 2 to 3 thou, hand saws about 5, more for soft or wet
 * wood. mm. Example: back saw, dry soft, 0.5 plate -> 0.0635 mm, kerf 0.627.
 */
export function setTarget(family: StraightFamily, wood: Wood, plateThicknessMm: number): SetTarget {
  const row = family === 'back' ? 'fine' : 'hand';
  const wanted = SET_TABLE_THOU[row][wood] * MM_PER_THOU;
  const most = LARGEST_SET_SHARE * plateThicknessMm;
  const perSideMm = Math.min(wanted, most);
  const kerfMm = plateThicknessMm + 2 * perSideMm;
  return {
    perSideMm,
    kerfMm,
    limitedByPlate: wanted > most,
    reason: because(
      'Set per side',
      'table by family and wood, never above half the plate; kerf = plate + both sides',
      [input('plate', plateThicknessMm, 'mm'), input('wood', wood, 'text'), input('table', wanted, 'mm')],
      COMMON_PRACTICE,
      'Less binds in wet or soft wood; more wobbles and leaves a ragged wall.',
    ),
  };
}
