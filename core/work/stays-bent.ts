import type { TriageReason } from '../judgement/triage';
import type { Verdict } from '../judgement/verdicts';
import { VERDICTS } from '../judgement/verdicts';
import type { Pressed } from './deeds';
import { deedsOf } from './deeds';
import type { WorkOrder } from './order';
import type { Prepared } from './preparing';
import { stillWrong } from './preparing';

const RULE = 'stays-bent';
/** Said of a plate that would not come out. Common practice, no source. */
const STAYS_BENT: TriageReason = {
  rule: RULE,
  verdict: 'take-if',
  because: 'marks',
  needsConsent: false,
  says: 'Straightening was tried and the plate stays as it is: heights mean little, and it may bind. Go on with its owner’s word alone, or give it up.',
};

/** Whether the last try at the plate did not come out: before measuring, or at the vise. */
export function staysBent(
  prepared: readonly Prepared[],
  orders: readonly (Pressed & { readonly order: WorkOrder })[],
): boolean {
  const tried = orders
    .flatMap((one) => deedsOf(one.order, one))
    .filter(({ step, result }) => step.kind === 'straighten' && result !== null);
  const last = tried.at(-1);
  if (last) return last.result === 'did-not';
  return stillWrong(prepared).some((kind) => kind === 'straighten' || kind === 'reseat');
}

/** A ticket's verdict with what straightening came to: the gravest of its reasons, as at the counter. */
export function judgedAfter<R extends { readonly rule: string; readonly verdict: Verdict }>(
  reasons: readonly R[],
  bent: boolean,
): { readonly reasons: (R | TriageReason)[]; readonly verdict: Verdict } {
  const own: (R | TriageReason)[] = reasons.filter(({ rule }) => rule !== RULE);
  if (bent) own.push(STAYS_BENT);
  const gravest = Math.max(0, ...own.map(({ verdict }) => VERDICTS.indexOf(verdict)));
  return { reasons: own, verdict: VERDICTS[gravest] ?? 'take' };
}
