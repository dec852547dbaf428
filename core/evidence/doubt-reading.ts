import { MOST_BREAST_SHARE } from '../saw/breast';
import type { Saw } from '../saw/saw';
import { median } from '../units/median';
import { MM_PER_INCH } from '../units/length';
import type { PlaceEstimate } from './estimates';
import type { LengthQuantity } from './quantities';
import { QUANTITY_FACTS } from './quantities';

/** How a figure was said in one unit and taken in another. */
export type UnitSlip = 'thou-as-mm' | 'inch-as-mm' | 'mm-as-thou';

/** A value that is asked about before it counts, and what it may have been meant to be. mm. */
export interface ReadingDoubt {
  readonly code: 'out-of-range' | 'wild' | 'unlike-before';
  readonly valueMm: number;
  /** What this quantity can be on this saw. */
  readonly leastMm: number;
  readonly mostMm: number;
  /** What the others are, or what the same place was; null where the range alone decides. */
  readonly usualMm: number | null;
  /** The same figure in the unit that would make sense of it; null where none does. */
  readonly meant: { readonly mm: number; readonly slip: UnitSlip } | null;
}

/** Readings taken the same way scatter by less than this many of their spreads. */
const WILD_SPREADS = 6;
/** Neighbours alike to a hair would make anything wild: no spread is less than this, mm. */
const LEAST_SPREAD_MM = 0.02;
/** Gullets of one saw differ by this share of their depth and more. */
const GULLET_SPREAD_SHARE = 0.04;
/** Fewer readings than this say nothing of what is usual. */
const FEWEST_KNOWN = 5;
/** A repeat at the same place this far off the first is another tooth or a slip, mm. */
const REPEAT_OFF_MM = 0.08;

/**
 * Whether a reading is asked about: out of what this quantity can be on this saw
 * (set over half the plate, pitch-sized gaps), far off all the others (median and
 * median deviation), or unlike the same place's own first reading. Thousandths
 * taken for millimetres, and the reverse, are recognised. Null where it just counts.
 */
export function doubtReading(
  saw: Saw,
  quantity: LengthQuantity,
  valueMm: number,
  place: number,
  known: readonly PlaceEstimate[],
): ReadingDoubt | null {
  const leastMm = QUANTITY_FACTS[quantity].least - breastOf(saw, quantity);
  const most = mostOf(saw, quantity);
  const others = known.filter((k) => k.place !== place).map((k) => k.valueMm);
  const usual = others.length < FEWEST_KNOWN ? null : median(others);
  const spread = usual === null ? 0 : 1.4826 * median(others.map((v) => Math.abs(v - usual)));
  // Gullets are as deep as the file was held, and beside a raker another depth than between cutters.
  const least = quantity === 'gullet-depth' ? GULLET_SPREAD_SHARE * (usual ?? 0) : LEAST_SPREAD_MM;
  const near = (mm: number): boolean =>
    usual === null || Math.abs(mm - usual) <= WILD_SPREADS * Math.max(least, spread);
  const doubt = (code: ReadingDoubt['code'], usualMm: number | null, slips: boolean): ReadingDoubt => {
    const off = (factor: number): number => (usual === null ? 0 : Math.abs(valueMm * factor - usual));
    const found = SLIPS.filter(({ factor }) => {
      const mm = valueMm * factor;
      return slips && mm >= leastMm && mm <= most && near(mm);
    }).sort((a, b) => off(a.factor) - off(b.factor))[0];
    const meant = found ? { mm: valueMm * found.factor, slip: found.slip } : null;
    return { code, valueMm, leastMm, mostMm: most, usualMm, meant };
  };
  if (valueMm < leastMm || valueMm > most) return doubt('out-of-range', null, true);
  const same = known.find((k) => k.place === place);
  if (same && Math.abs(valueMm - same.valueMm) > Math.max(REPEAT_OFF_MM, WILD_SPREADS * same.errorMm))
    return doubt('unlike-before', same.valueMm, false);
  return usual === null || near(valueMm) ? null : doubt('wild', usual, true);
}

/** Figures said in one unit and taken in another, the commonest first. */
const SLIPS = [
  { factor: MM_PER_INCH / 1000, slip: 'thou-as-mm' },
  { factor: MM_PER_INCH, slip: 'inch-as-mm' },
  { factor: 1000 / MM_PER_INCH, slip: 'mm-as-thou' },
] as const;

/** A breasted line lies under its straight edge by its breast at the ends, or over one laid at its ends. mm. */
const breastOf = (saw: Saw, quantity: LengthQuantity): number =>
  quantity === 'height' && saw.family === 'crosscut' ? MOST_BREAST_SHARE * saw.toothLineMm : 0;

/** Set never exceeds half the plate by much; a gullet is no deeper than its pitch. */
function mostOf(saw: Saw, quantity: LengthQuantity): number {
  const { most } = QUANTITY_FACTS[quantity];
  if (quantity === 'height') return most + breastOf(saw, quantity);
  if (quantity === 'set') return Math.min(most, Math.max(0.1, 0.75 * saw.plateThicknessMm));
  if (quantity === 'gullet-depth') return Math.min(most, 1.6 * saw.pitchMm);
  if (quantity === 'thickness') return Math.min(most, 2.5 * saw.plateThicknessMm);
  if (quantity === 'breast') return MOST_BREAST_SHARE * saw.toothLineMm;
  if (quantity === 'rust' || quantity === 'pitting') return saw.toothLineMm;
  return most;
}
