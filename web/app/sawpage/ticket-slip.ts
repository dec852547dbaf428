import type { Dossier } from '@odontis/contract/dossier';
import type { Waits } from '@odontis/contract/ticket';
import { WAIT_WORDS } from '../shared/words/stage-words';

/** What may be changed of an open ticket, as it is being changed. */
export interface TicketSlip {
  readonly complaint: string;
  readonly promisedOn: string;
  readonly waitsFor: Waits | null;
  readonly waitsNote: string;
}

export const slipOf = ({ ticket }: Dossier): TicketSlip => ({
  complaint: ticket.complaint,
  promisedOn: ticket.promisedOn,
  waitsFor: ticket.waitsFor,
  waitsNote: ticket.waitsNote,
});

/** As it is sent: no blanks round the words, and no note of a wait that is over. */
export const tidySlip = (slip: TicketSlip): TicketSlip => ({
  ...slip,
  complaint: slip.complaint.trim(),
  waitsNote: slip.waitsFor === null ? '' : slip.waitsNote.trim(),
});

/** What differs between two slips, in words. */
export function slipRows(mine: TicketSlip, theirs: TicketSlip): { what: string; mine: string; theirs: string }[] {
  const waits = (slip: TicketSlip): string =>
    slip.waitsFor === null ? 'nothing' : [WAIT_WORDS[slip.waitsFor], slip.waitsNote].filter((w) => w !== '').join(': ');
  return [
    { what: 'Complaint', mine: mine.complaint, theirs: theirs.complaint },
    { what: 'Promised', mine: mine.promisedOn, theirs: theirs.promisedOn },
    { what: 'Waits for', mine: waits(mine), theirs: waits(theirs) },
  ].filter((row) => row.mine !== row.theirs);
}
