import type { LineStatistics } from '../saw/line-statistics';
import type { SetBalance } from './set-balance';
import { setBalance } from './set-balance';
import type { StoningOrder } from './stoning';
import { stoningOrder } from './stoning';

export interface TestCut {
  readonly runs: 'true' | 'left' | 'right';
  readonly binds: boolean;
  readonly chatters: boolean;
}

export type CutAdvice = 'measure-set' | 'stone' | 'add-set' | 'joint-again' | 'widen-lesser-side' | 'passes';

export interface CutVerdict {
  readonly verdict: 'pass' | 'again';
  readonly balance: SetBalance | null;
  readonly stoning: StoningOrder;
  readonly advice: readonly CutAdvice[];
}

/** A saw that jumps with its line within this is jumping for another reason. mm. Common practice, no source. */
const LEVEL_WITHIN_MM = 0.05;

const NONE: StoningOrder = { side: 'none', passes: 0, excessMm: 0 };

/**
 * What a test cut asks for (trade section 8): binding wants set, running wants
 * the stone on the side it runs to, chatter wants the line level. Passes when
 * it neither runs, binds nor chatters. `after` is the line as re-measured.
 */
export function judgeTestCut(cut: TestCut, after: LineStatistics | null, targetMm: number): CutVerdict {
  const measured = after !== null && after.setLeft.count > 0 && after.setRight.count > 0;
  const balance = measured ? setBalance(after.setLeft, after.setRight) : null;
  const sound = cut.runs === 'true' && !cut.binds && !cut.chatters;
  if (sound) return { verdict: 'pass', balance, stoning: NONE, advice: ['passes'] };
  const advice: CutAdvice[] = [];
  let stoning = NONE;
  if (cut.runs !== 'true') {
    const even: SetBalance = { differenceMm: 0, errorMm: null, runsTo: 'true', certain: false };
    const lesser = measured ? Math.min(after.setLeft.meanMm, after.setRight.meanMm) : targetMm;
    if (cut.binds && lesser < targetMm) {
      // Stoning a saw that already binds would make it bind the more.
      advice.push('widen-lesser-side');
    } else {
      stoning = stoningOrder(balance ?? even, cut.runs, 0);
      advice.push('stone');
    }
  } else if (cut.binds) advice.push('add-set');
  if (cut.chatters)
    advice.push(after !== null && after.heightSpreadMm <= LEVEL_WITHIN_MM ? 'measure-set' : 'joint-again');
  if (!measured && !advice.includes('measure-set')) advice.push('measure-set');
  return { verdict: 'again', balance, stoning, advice };
}
