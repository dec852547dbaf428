import { atWeld } from '../band/away-from-weld';
import type { PlaceEstimate } from '../evidence/estimates';
import { setBalance } from './set-balance';
import { STONING_PER_PASS_MM, stoningOrder } from './stoning';
import type { AfterWork, CutAdvice, CutVerdict, TestCut } from './test-cut-verdict';
import { NO_STONING, sideOfDrift, soundCut } from './test-cut-verdict';

/** A band's test cut: it wanders to a side, burns in a curve (`binds`), or beats once a turn (`chatters`). */
export interface BandCut extends TestCut {
  /** The tooth in the cut when it beats, by chalk; null where nobody found it. */
  readonly beatAt?: number | null | undefined;
}

/** Heights of a few teeth as measured after the work, and how many teeth there are. mm. */
export interface BandAfter extends Pick<AfterWork, 'set'> {
  readonly heights: readonly PlaceEstimate[];
  readonly teeth: number;
}

/** Chalk finds a place to within so many teeth. No source. */
const CHALK_TEETH = 3;
/** A tooth standing out over its neighbours by more than this beats. No source. mm. */
const STANDS_OUT_MM = 0.05;

/** The highest tooth that was measured near a place, where it stands out over the others; null where none does. */
export function highNear(heights: readonly PlaceEstimate[], place: number, teeth: number): PlaceEstimate | null {
  const apart = (tooth: number): number => Math.min(Math.abs(tooth - place), teeth - Math.abs(tooth - place));
  const others = heights.map((h) => h.valueMm).sort((a, b) => a - b);
  const median = others[Math.floor(others.length / 2)] ?? 0;
  const near = heights.filter((h) => apart(h.place) <= CHALK_TEETH && h.valueMm > median + STANDS_OUT_MM);
  return near.reduce<PlaceEstimate | null>((high, h) => (high && high.valueMm >= h.valueMm ? high : h), null);
}

/**
 * What a band's test cut asks for (trade section 7 and 8): wandering, the side with more set stoned where
 * the set differs, else the other side filed again because it is dull; burning in a curve, more set, unless
 * it has it; a beat once a turn, the weld dressed or the tooth that stands out brought down, by its place.
 * What was not measured is asked for, never guessed. mm.
 */
export function judgeBandCut(
  cut: BandCut,
  after: BandAfter,
  targetMm: number,
  perPassMm = STONING_PER_PASS_MM,
): CutVerdict {
  const set = after.set && after.set.left.count > 0 && after.set.right.count > 0 ? after.set : null;
  const balance = set ? setBalance(set.left, set.right) : null;
  const aside = sideOfDrift(cut);
  if (aside === null && !cut.binds && !cut.chatters) return soundCut(cut, balance);
  const advice: CutAdvice[] = [];
  let stoning = NO_STONING;
  if (aside !== null && balance) {
    if (balance.certain && balance.runsTo === aside) {
      stoning = stoningOrder(balance, aside, 0, perPassMm);
      advice.push('stone');
    } else advice.push('file-dull-side');
  }
  if (cut.binds && set) {
    const lesser = Math.min(set.left.meanMm, set.right.meanMm);
    advice.push(lesser < targetMm ? 'add-set' : 'file-again');
  }
  if (!set && (aside !== null || cut.binds)) advice.push('measure-set');
  if (cut.chatters) advice.push(beatAdvice(cut.beatAt ?? null, after));
  return { verdict: 'again', balance, stoning, advice };
}

function beatAdvice(beatAt: number | null, { heights, teeth }: BandAfter): CutAdvice {
  if (beatAt === null) return 'find-beat';
  const weld = [beatAt - 1, teeth - beatAt].some((apart) => apart <= CHALK_TEETH) || atWeld(beatAt, teeth);
  if (weld) return 'dress-weld';
  return highNear(heights, beatAt, teeth) ? 'blend-tooth' : 'measure-heights';
}
