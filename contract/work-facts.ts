import type { Learned } from '@odontis/core/learn/learned';
import type { Hand } from '@odontis/core/calibration/hand';
import type { Worked } from '@odontis/core/work/from-here';
import { stepsPrepared } from '@odontis/core/work/preparing';
import type { WorkFacts } from '@odontis/core/work/family-work';
import type { Dossier } from './dossier';
import type { ShopBook } from './shop';

/** A ticket, the shop's book and the technician's hand, as an order is worked out from them: the server's way and the plan page's. */
export const workFactsOf = (
  {
    ticket,
    saw,
    sessions,
    visits,
    preparations,
  }: Pick<Dossier, 'ticket' | 'saw' | 'sessions' | 'visits' | 'preparations'>,
  book: ShopBook,
  { strokeRateOf, stoning }: Pick<Hand, 'strokeRateOf' | 'stoning'>,
  learned: Learned | undefined,
  filesAtHand: readonly string[] | undefined,
): WorkFacts => ({
  saw,
  visit: {
    wood: ticket.wood,
    marks: ticket.marks,
    grain: ticket.grain,
    etch: ticket.etch,
    wantsFiling: ticket.wantsFiling,
    replacement: ticket.replacement,
    useRate: ticket.useRate,
    prepared: stepsPrepared(preparations),
  },
  sessions,
  visits,
  habits: learned && Object.values(learned).some((one) => one !== null) ? { ...book.habits, learned } : book.habits,
  judgement: book.judgement,
  ...(filesAtHand && { filesAtHand }),
  strokeRateOf,
  stoning,
});

/** Orders of this ticket that something was done of: what is planned next is planned from there. */
export const workedBefore = ({ plan, earlier }: Pick<Dossier, 'plan' | 'earlier'>): Worked[] =>
  [...earlier, ...(plan ? [plan] : [])]
    .filter(({ done }) => done.length > 0)
    .map(({ order, done, skipped, results }) => ({ order, done, skipped, results }));
