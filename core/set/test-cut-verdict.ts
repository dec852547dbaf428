import type { SetOfSides } from '../evidence/set-of';
import type { RakersAfter, Shavings, ShavingsAdvice } from '../raker/shavings';
import { readShavings } from '../raker/shavings';
import type { SetBalance } from './set-balance';
import { JUMPS_AT_MM } from '../testcut/hop';
import { setBalance } from './set-balance';
import type { StoningOrder } from './stoning';
import { STONING_PER_PASS_MM, stoningOrder } from './stoning';

export interface TestCut {
  readonly runs: 'true' | 'left' | 'right';
  readonly binds: boolean;
  readonly chatters: boolean;
  /** Of a saw with rakers; left out or null where nobody looked. */
  readonly shavings?: Shavings | null | undefined;
}

export type CutAdvice =
  | ShavingsAdvice
  | 'measure-set'
  | 'stone'
  | 'add-set'
  | 'measure-line'
  | 'joint-again'
  | 'widen-lesser-side'
  | 'file-dull-side'
  | 'file-again'
  | 'find-beat'
  | 'dress-weld'
  | 'blend-tooth'
  | 'measure-heights'
  | 'read-dial'
  | 'equalise-again'
  | 'ease-set'
  | 'dress-tooth'
  | 'straighten-plate'
  | 'cut-again'
  | 'leave-wood'
  | 'passes';

export interface CutVerdict {
  readonly verdict: 'pass' | 'again';
  readonly balance: SetBalance | null;
  readonly stoning: StoningOrder;
  readonly advice: readonly CutAdvice[];
}

/** No side is stoned. */
export const NO_STONING: StoningOrder = { side: 'none', passes: 0, excessMm: 0 };

/** What is asked of a blade or a set where a line of teeth would be jointed: its teeth are read by dial. */
const ROUND: Partial<Record<CutAdvice, CutAdvice>> = { 'joint-again': 'equalise-again', 'measure-line': 'read-dial' };

/** A blade's or a set's test cut: steps on the floor of the cut are teeth of unequal height. mm. */
export function judgeBladeCut(...asked: Parameters<typeof judgeTestCut>): CutVerdict {
  const judged = judgeTestCut(...asked);
  return { ...judged, advice: judged.advice.map((code) => ROUND[code] ?? code) };
}

/** What was measured after the work, as far as it was. mm. */
export interface AfterWork {
  readonly set: SetOfSides | null;
  /** From the highest tooth to the lowest; null where the heights were not measured again. */
  readonly heightSpreadMm: number | null;
  /** Rakers measured again; left out or null where none was. */
  readonly rakers?: RakersAfter | null;
}

/**
 * What a test cut asks for (trade section 8): binding wants set, running wants the stone on
 * the side it runs to, chatter wants the line level. Passes when it neither runs, binds nor
 * chatters, and throws clean ribbons where it has rakers. What was not measured is asked for, never guessed.
 * `perPassMm` is what this hand's stone takes in a pass, `jumpsAtMm` the unevenness that makes a saw jump. mm.
 */
export function judgeTestCut(
  cut: TestCut,
  after: AfterWork,
  targetMm: number,
  perPassMm = STONING_PER_PASS_MM,
  jumpsAtMm = JUMPS_AT_MM,
): CutVerdict {
  const set = after.set && after.set.left.count > 0 && after.set.right.count > 0 ? after.set : null;
  const balance = set ? setBalance(set.left, set.right) : null;
  const rakers = cut.shavings ? readShavings(cut.shavings, after.rakers ?? null) : [];
  const sound = cut.runs === 'true' && !cut.binds && !cut.chatters && rakers.length === 0;
  if (sound) return { verdict: 'pass', balance, stoning: NO_STONING, advice: ['passes'] };
  const advice: CutAdvice[] = [...rakers];
  let stoning = NO_STONING;
  if (cut.runs !== 'true') {
    const even: SetBalance = { differenceMm: 0, errorMm: null, runsTo: 'true', certain: false };
    const lesser = set ? Math.min(set.left.meanMm, set.right.meanMm) : targetMm;
    if (cut.binds && lesser < targetMm) {
      // Stoning a saw that already binds would make it bind the more.
      advice.push('widen-lesser-side');
    } else {
      stoning = stoningOrder(balance ?? even, cut.runs, 0, perPassMm);
      advice.push('stone');
    }
  } else if (cut.binds) advice.push('add-set');
  if (cut.chatters) {
    if (after.heightSpreadMm === null) advice.push('measure-line');
    else advice.push(after.heightSpreadMm <= jumpsAtMm ? 'measure-set' : 'joint-again');
  }
  // A line that only throws dust is not asked for its set.
  const asksSet = cut.runs !== 'true' || cut.binds || cut.chatters;
  if (!set && asksSet && !advice.includes('measure-set')) advice.push('measure-set');
  return { verdict: 'again', balance, stoning, advice };
}
