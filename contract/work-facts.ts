import type { Hand } from '@odontis/core/calibration/hand';
import type { WorkFacts } from '@odontis/core/work/family-work';
import type { Dossier } from './dossier';
import type { ShopBook } from './shop';

/** A ticket, the shop's book and the technician's hand, as an order is worked out from them: the server's way and the plan page's. */
export const workFactsOf = (
  { ticket, saw, sessions, visits }: Pick<Dossier, 'ticket' | 'saw' | 'sessions' | 'visits'>,
  book: ShopBook,
  { strokeRateOf, stoning }: Pick<Hand, 'strokeRateOf' | 'stoning'>,
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
  },
  sessions,
  visits,
  habits: book.habits,
  judgement: book.judgement,
  strokeRateOf,
  stoning,
});
