import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import type { Wood } from '../saw/families';
import type { CrosscutKind } from '../saw/saw';
import { MM_PER_THOU } from '../units/length';

export const RAKER_SAWS = ['buck', 'one-man', 'two-man'] as const;
export type RakerSaw = (typeof RAKER_SAWS)[number];

/** A frame saw with rakers is worked as a buck saw. */
export const rakerSawOf = (kind: CrosscutKind | undefined): RakerSaw =>
  kind === undefined || kind === 'frame' ? 'buck' : kind;

/** Depth below the cutters in thou, in dry wood (trade section 5). Common practice, no source. */
const DEPTH_THOU: Record<RakerSaw, number> = { buck: 7, 'one-man': 15, 'two-man': 15 };
/** Soft, green wood gives longer shavings: so many times deeper. Common practice for the direction, no source for the figure. */
const WOOD_FACTOR: Record<Wood, number> = { 'dry-hard': 0.8, 'dry-soft': 1, green: 1.5 };

export interface RakerTarget {
  readonly depthMm: number;
  readonly reason: Reason;
}

/**
 * Depths a published manual gives, hard dry wood first, soft green last: Crosscut Saw Manual, United
 * States Department of Agriculture, Forest Service, from memory: 0.008 to 0.030 inch. mm.
 */
export const MANUAL_RAKERS_MM = { least: 8 * MM_PER_THOU, most: 30 * MM_PER_THOU } as const;

/** A raker this far off the wanted depth is filed; 2 thou, about what a gauge and a file can keep. Common practice, no source. */
export const RAKER_OFF_MM = 0.05;

/** A shop's own depths in dry wood; left out where it has none. mm. */
export type OwnRakers = Partial<Record<RakerSaw, number>>;

/** The table's depth in dry wood, where the shop has none of its own. mm. */
export const tableRakersMm = (saw: RakerSaw): number => DEPTH_THOU[saw] * MM_PER_THOU;

/** Wanted depth of the rakers below the cutters. mm. Example: two-man, dry soft -> 0.381 mm. */
export function rakerTarget(saw: RakerSaw, wood: Wood, own?: OwnRakers): RakerTarget {
  const tableMm = own?.[saw] ?? tableRakersMm(saw);
  const depthMm = tableMm * WOOD_FACTOR[wood];
  return {
    depthMm,
    reason: because(
      'Rakers below the cutters',
      'table by saw, more for soft and green wood',
      [input(own?.[saw] === undefined ? 'table' : 'the shop’s own table', tableMm, 'mm'), input('wood', wood, 'text')],
      COMMON_PRACTICE,
      'Too shallow and the raker rides, the cutters never reach depth; too deep and the shavings come out stringy and stick.',
    ),
  };
}

export interface RakerGullet {
  readonly depthMm: number;
  /** Width of the tip left standing at that depth by the wanted angle, 0 for a point. mm. */
  readonly halfWidthMm: number;
}

/**
 * Depth of the gullet in the middle of a raker (geometry section 7): for width w
 * tip to tip, wanted tip angle q and outer faces leaning o off upright,
 * depth = (w/2) / tan(q + o). A wide raker needs a deeper gullet. Tip angles of 20
 * to 30 degrees; thinner bends or breaks in a knot. mm and degrees. RangeError on
 * angles that leave no gullet. Example: w 6, q 25, o 0 -> 6.43 mm.
 */
export function rakerGullet(widthMm: number, tipDeg: number, outerDeg: number): RakerGullet {
  const sum = tipDeg + outerDeg;
  if (!(widthMm > 0)) throw new RangeError('A raker’s width must be above zero.');
  if (!(sum > 0 && sum < 90))
    throw new RangeError('Tip angle and outer lean together must lie between 0 and 90 degrees.');
  return { depthMm: widthMm / 2 / Math.tan((sum * Math.PI) / 180), halfWidthMm: widthMm / 2 };
}

/** The tip angle a raker's gullet is filed for where nobody wants another: the middle of the trade's 20 to 30 degrees. */
export const USUAL_TIP_DEG = 25;

export const LEAST_TIP_DEG = 20;
export const MOST_TIP_DEG = 30;
/** A tip angle the trade would not question. */
export const tipHolds = (tipDeg: number): boolean => tipDeg >= LEAST_TIP_DEG && tipDeg <= MOST_TIP_DEG;
