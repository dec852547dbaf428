import type { SetOfSides } from '../evidence/set-of';
import type { RakersAfter, Shavings, ShavingsAdvice } from '../raker/shavings';
import { readShavings } from '../raker/shavings';
import type { SetBalance } from './set-balance';
import { JUMPS_AT_MM } from '../testcut/hop';
import { setBalance } from './set-balance';
import type { StoningOrder } from './stoning';
import { STONING_PER_PASS_MM, stoningOrder } from './stoning';

/** What a cut showed; a finding is null where nobody looked. */
export interface TestCut {
  readonly runs: 'true' | 'left' | 'right' | null;
  readonly binds: boolean | null;
  readonly chatters: boolean | null;
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
  | 'look-drift'
  | 'look-binding'
  | 'look-jumping'
  | 'gauge-groove'
  | 'passes';

/** A cut passes, is made again after something was done, or is open: nothing is wrong of what was looked at, and not everything was. */
export const CUT_VERDICTS = ['pass', 'again', 'open'] as const;
export interface CutVerdict {
  readonly verdict: (typeof CUT_VERDICTS)[number];
  readonly balance: SetBalance | null;
  readonly stoning: StoningOrder;
  readonly advice: readonly CutAdvice[];
}

/** What of a cut has to be looked at before it can pass: whether it leaves its line, binds and jumps. */
export function notLookedAt({ runs, binds, chatters }: TestCut): CutAdvice[] {
  return [
    ...(runs === null ? (['look-drift'] as const) : []),
    ...(binds === null ? (['look-binding'] as const) : []),
    ...(chatters === null ? (['look-jumping'] as const) : []),
  ];
}

/** The side a cut leaves its line to; null where it does not, or nobody looked. */
export const sideOfDrift = ({ runs }: TestCut): 'left' | 'right' | null => (runs === 'true' ? null : runs);

/** Nothing wrong was found: the cut passes where it was looked at for everything, else it is open and says for what not. */
export function soundCut(cut: TestCut, balance: SetBalance | null, more: readonly CutAdvice[] = []): CutVerdict {
  const open = [...notLookedAt(cut), ...more];
  return open.length === 0
    ? { verdict: 'pass', balance, stoning: NO_STONING, advice: ['passes'] }
    : { verdict: 'open', balance, stoning: NO_STONING, advice: open };
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

/** A set's: what it cuts is a groove, and it passes only where the floor of one was gauged (trade section 6). mm. */
export function judgeSetCut(...asked: Parameters<typeof judgeTestCut>): CutVerdict {
  const judged = judgeBladeCut(...asked);
  const gauged = asked[1].heightSpreadMm !== null;
  return judged.verdict === 'again' || gauged ? judged : soundCut(asked[0], judged.balance, ['gauge-groove']);
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
 * the side it runs to, chatter wants the line level. Passes when it was seen neither to run, to bind nor
 * to chatter, and throws clean ribbons where it has rakers. What was not measured is asked for, never guessed.
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
  const aside = sideOfDrift(cut);
  if (aside === null && !cut.binds && !cut.chatters && rakers.length === 0) return soundCut(cut, balance);
  const advice: CutAdvice[] = [...rakers];
  let stoning = NO_STONING;
  if (aside !== null) {
    const even: SetBalance = { differenceMm: 0, errorMm: null, runsTo: 'true', certain: false };
    const lesser = set ? Math.min(set.left.meanMm, set.right.meanMm) : targetMm;
    if (cut.binds && lesser < targetMm) {
      // Stoning a saw that already binds would make it bind the more.
      advice.push('widen-lesser-side');
    } else {
      stoning = stoningOrder(balance ?? even, aside, 0, perPassMm);
      advice.push('stone');
    }
  } else if (cut.binds) advice.push('add-set');
  if (cut.chatters) {
    if (after.heightSpreadMm === null) advice.push('measure-line');
    else advice.push(after.heightSpreadMm <= jumpsAtMm ? 'measure-set' : 'joint-again');
  }
  // A line that only throws dust is not asked for its set.
  const asksSet = aside !== null || cut.binds || cut.chatters;
  if (!set && asksSet && !advice.includes('measure-set')) advice.push('measure-set');
  return { verdict: 'again', balance, stoning, advice };
}
