import type { AnySaw } from '../saw/any-saw';
import { MM_PER_INCH } from '../units/length';
import type { PlaceEstimate } from './gauged';
import type { Quantity } from './quantities';
import { QUANTITY_FACTS } from './quantities';

/** A value that is asked about before it counts, and what it may have been meant to be. */
export interface ReadingDoubt {
  readonly code: 'out-of-range' | 'wild' | 'unlike-before';
  readonly says: string;
  /** The same figure in the unit that would make sense of it, mm; null where none does. */
  readonly likelyMm: number | null;
  readonly likelySays: string;
}

/** Readings taken the same way scatter by less than this many of their spreads. */
const WILD_SPREADS = 6;
/** Neighbours alike to a hair would make anything wild: no spread is less than this, mm. */
const LEAST_SPREAD_MM = 0.02;
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
  saw: AnySaw,
  quantity: Quantity,
  valueMm: number,
  place: number,
  known: readonly PlaceEstimate[],
): ReadingDoubt | null {
  const facts = QUANTITY_FACTS[quantity];
  const most = mostOf(saw, quantity);
  const others = known.filter((k) => k.place !== place).map((k) => k.valueMm);
  const usual = others.length < FEWEST_KNOWN ? null : middle(others);
  const spread = usual === null ? 0 : 1.4826 * middle(others.map((v) => Math.abs(v - usual)));
  const near = (mm: number): boolean =>
    usual === null || Math.abs(mm - usual) <= WILD_SPREADS * Math.max(LEAST_SPREAD_MM, spread);
  const meant = (): Pick<ReadingDoubt, 'likelyMm' | 'likelySays'> => {
    const off = (factor: number): number => (usual === null ? 0 : Math.abs(valueMm * factor - usual));
    const found = SLIPS.filter(({ factor }) => {
      const mm = valueMm * factor;
      return mm >= facts.least && mm <= most && near(mm);
    }).sort((a, b) => off(a.factor) - off(b.factor))[0];
    if (!found) return { likelyMm: null, likelySays: '' };
    const likelyMm = valueMm * found.factor;
    return { likelyMm, likelySays: `${said(likelyMm)} mm, ${found.says}` };
  };
  if (valueMm < facts.least || valueMm > most)
    return {
      code: 'out-of-range',
      says: `${facts.name} of ${said(valueMm)} mm cannot be on this saw: ${said(facts.least)} to ${said(most)} mm is what it has.`,
      ...meant(),
    };
  const same = known.find((k) => k.place === place);
  if (same && Math.abs(valueMm - same.valueMm) > Math.max(REPEAT_OFF_MM, WILD_SPREADS * same.errorMm))
    return {
      code: 'unlike-before',
      says: `${said(valueMm)} mm here, but ${said(same.valueMm)} mm before at the same place.`,
      likelyMm: null,
      likelySays: '',
    };
  if (usual === null || near(valueMm)) return null;
  return {
    code: 'wild',
    says: `${said(valueMm)} mm is far from the others, which are about ${said(usual)} mm.`,
    ...meant(),
  };
}

/** Figures said in one unit and taken in another, the commonest first. */
const SLIPS = [
  { factor: MM_PER_INCH / 1000, says: 'the same figure in thousandths of an inch' },
  { factor: MM_PER_INCH, says: 'the same figure in inches' },
  { factor: 1000 / MM_PER_INCH, says: 'keyed as thousandths, meant as millimetres' },
] as const;

/** Set never exceeds half the plate by much; a gullet is no deeper than its pitch. */
function mostOf(saw: AnySaw, quantity: Quantity): number {
  const { most } = QUANTITY_FACTS[quantity];
  if (quantity === 'set') return Math.min(most, Math.max(0.1, 0.75 * saw.plateThicknessMm));
  if (quantity === 'gullet-depth') return Math.min(most, 1.6 * saw.pitchMm);
  if (quantity === 'thickness') return Math.min(most, 2.5 * saw.plateThicknessMm);
  if (quantity === 'rust' || quantity === 'pitting') return saw.toothLineMm;
  return most;
}

const said = (mm: number): string => String(Number(mm.toFixed(3)));

function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1
    ? (sorted[half] as number)
    : ((sorted[half - 1] as number) + (sorted[half] as number)) / 2;
}
