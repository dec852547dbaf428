import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import type { Family, Moisture, Timber } from '../saw/all-families';
import { MM_PER_THOU } from '../units/length';

/** Set per side is never above this share of the plate's thickness (geometry section 6). */
export const LARGEST_SET_SHARE = 0.5;

/** What the cut is to be like. */
export const USES = ['fine', 'ordinary', 'fast'] as const;
export type Use = (typeof USES)[number];

/**
 * Set per side in thou for dry, medium wood and ordinary use. Back 2 to 3 and
 * hand about 5 are trade section 8; the others by the same reasoning from plate
 * and length. Common practice, no source.
 */
const BASE_THOU: Record<Family, number> = { back: 2.5, hand: 5, pull: 2, crosscut: 9, band: 6, circular: 8, dado: 3 };
/** More for wet or soft wood, less for dry and hard (trade section 8). The factors by judgement, no source. */
const MOISTURE_FACTOR: Record<Moisture, number> = { dry: 1, 'air-dry': 1.15, green: 1.4 };
const TIMBER_FACTOR: Record<Timber, number> = { hard: 0.85, medium: 1, soft: 1.15 };
const USE_FACTOR: Record<Use, number> = { fine: 0.85, ordinary: 1, fast: 1.15 };
/** Fine back saws stay within 2 to 3 thou whatever the wood (trade section 8). */
const BACK_LEAST_THOU = 2;
const BACK_MOST_THOU = 3;

export interface FamilySet {
  readonly perSideMm: number;
  readonly kerfMm: number;
  readonly limitedByPlate: boolean;
  readonly reason: Reason;
}

/** Where this shop, or somebody on this saw, wants another set than the table; left out where nobody does. mm a side. */
export interface OwnSet {
  /** In the shop's own table, for dry, medium wood and ordinary use. */
  readonly tableMm?: number | undefined;
  /** Typed for this saw as it stands. */
  readonly sawMm?: number | undefined;
}

/** The table's set for dry, medium wood and ordinary use, where the shop has none of its own. mm a side. */
export const tableSetMm = (family: Family): number => BASE_THOU[family] * MM_PER_THOU;

/**
 * Wanted set per side for any family, use and wood, and the kerf it leaves:
 * table x moisture x timber x use, never above half the plate. mm.
 * Example: crosscut in soft green wood, ordinary -> 9 x 1.4 x 1.15 = 14.5 thou.
 */
export function familySet(
  family: Family,
  wood: { readonly moisture: Moisture; readonly timber: Timber },
  use: Use,
  plateThicknessMm: number,
  own: OwnSet = {},
): FamilySet {
  if (!(plateThicknessMm > 0)) throw new RangeError('A plate has a thickness.');
  const factor = MOISTURE_FACTOR[wood.moisture] * TIMBER_FACTOR[wood.timber] * USE_FACTOR[use];
  const tableMm = own.tableMm ?? tableSetMm(family);
  // A shop's own table is its word: only the trade's is held to the trade's range.
  const within = (mm: number): number =>
    family === 'back' && own.tableMm === undefined
      ? Math.min(BACK_MOST_THOU * MM_PER_THOU, Math.max(BACK_LEAST_THOU * MM_PER_THOU, mm))
      : mm;
  const wantedMm = own.sawMm ?? within(tableMm * factor);
  const most = LARGEST_SET_SHARE * plateThicknessMm;
  const perSideMm = Math.min(most, wantedMm);
  return {
    perSideMm,
    kerfMm: plateThicknessMm + 2 * perSideMm,
    limitedByPlate: wantedMm > most,
    reason: because(
      'Set per side',
      own.sawMm === undefined
        ? 'table by family × moisture × timber × use, never above half the plate'
        : 'as it was typed for this saw, in place of the table × wood × use; never above half the plate',
      [
        ...(own.sawMm === undefined ? [] : [input('typed for this saw', own.sawMm, 'mm')]),
        input(own.tableMm === undefined ? 'table' : 'the shop’s own table', tableMm, 'mm'),
        input('moisture', wood.moisture, 'text'),
        input('timber', wood.timber, 'text'),
        input('use', use, 'text'),
        input('plate', plateThicknessMm, 'mm'),
      ],
      COMMON_PRACTICE,
      'Too little binds within a few millimetres; too much wobbles and leaves a ragged wall.',
    ),
  };
}
