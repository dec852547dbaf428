import type { BendModel } from './set-wear';
import { bentLengthMm, RESET_BELOW_SHARE, setLeftMm } from './set-wear';

/** What a visit found: so much filed off since the teeth were set, so much set left. */
export interface SetWearReading {
  readonly filedMm: number;
  readonly setMm: number;
}

export interface SetWearFit {
  /** Bent length that explains this saw's history, mm. */
  readonly bentMm: number;
  readonly bend: BendModel;
  /** Scatter of the readings about it, mm. */
  readonly scatterMm: number;
  readonly readings: number;
}

const shareLeft = (filedMm: number, bentMm: number, bend: BendModel): number => {
  const left = Math.max(0, 1 - filedMm / bentMm);
  return bend === 'hinge' ? left : left * left;
};

/** The bent length is looked for between these shares of the tooth's height. */
const SHORTEST_SHARE = 0.1;
const LONGEST_SHARE = 1.5;
/** Steps of the coarse look before the fine one: the error need not be convex. */
const LOOK_STEPS = 200;

/**
 * The bent length of one saw from its own history (geometry section 6): least
 * squares of s = s0 (1 - dy/l) or its square in l, for hinge and arc, and the one
 * that fits better. Without readings after any filing, a third of the tooth's
 * height and a hinge. mm. Looked for on a grid, then by golden section.
 */
export function fitSetWear(setNewMm: number, readings: readonly SetWearReading[], toothHeightMm: number): SetWearFit {
  if (!(setNewMm > 0 && toothHeightMm > 0)) throw new RangeError('Set and tooth height must be above zero.');
  const usable = readings.filter((r) => r.filedMm > 0);
  if (usable.length === 0) return { bentMm: bentLengthMm(toothHeightMm), bend: 'hinge', scatterMm: 0, readings: 0 };
  const fit = (bend: BendModel): SetWearFit => {
    const squares = (bentMm: number): number =>
      usable.reduce((s, r) => s + (r.setMm - setNewMm * shareLeft(r.filedMm, bentMm, bend)) ** 2, 0);
    const [from, to] = [SHORTEST_SHARE * toothHeightMm, LONGEST_SHARE * toothHeightMm];
    const step = (to - from) / LOOK_STEPS;
    let best = from;
    for (let k = 1; k <= LOOK_STEPS; k++) if (squares(from + k * step) < squares(best)) best = from + k * step;
    let [low, high] = [best - step, best + step];
    const ratio = (Math.sqrt(5) - 1) / 2;
    while (high - low > 1e-9) {
      const [a, b] = [high - ratio * (high - low), low + ratio * (high - low)];
      if (squares(a) <= squares(b)) high = b;
      else low = a;
    }
    const bentMm = (low + high) / 2;
    const freedom = Math.max(1, usable.length - 1);
    return { bentMm, bend, scatterMm: Math.sqrt(squares(bentMm) / freedom), readings: usable.length };
  };
  const [hinge, arc] = [fit('hinge'), fit('arc')];
  return arc.scatterMm < hinge.scatterMm ? arc : hinge;
}

/** Filings this set will last before it wants resetting: the first after which less than the share is left. */
export function filingsUntilReset(
  setMm: number,
  targetMm: number,
  perSharpeningMm: number,
  toothHeightMm: number,
  fit: Pick<SetWearFit, 'bentMm' | 'bend'> = { bentMm: bentLengthMm(toothHeightMm), bend: 'hinge' },
): number {
  if (!(perSharpeningMm > 0)) throw new RangeError('A sharpening must take some metal.');
  if (!(targetMm > 0)) throw new RangeError('The wanted set must be above zero.');
  // setLeftMm bends a third of the height it is given: three times the bent length.
  const height = fit.bentMm * 3;
  for (let filings = 0; ; filings++) {
    const left = setLeftMm(setMm, filings * perSharpeningMm, height, fit.bend);
    if (left < RESET_BELOW_SHARE * targetMm) return filings;
  }
}
