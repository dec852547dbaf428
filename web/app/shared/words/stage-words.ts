import type { Message } from '@odontis/contract/notes';
import type { Ending, Stage, Waits } from '@odontis/contract/ticket';

/** What a stage is called on the screen, and the page it opens. */
export const STAGE_NAMES: Record<Stage, string> = {
  measure: 'Measure',
  plan: 'Plan',
  bench: 'Bench',
  check: 'Check',
  handover: 'Handover',
  closed: 'Closed',
  declined: 'Declined',
};

export const STAGE_WAITS: Record<Stage, string> = {
  measure: 'to be measured',
  plan: 'to be planned',
  bench: 'at the bench',
  check: 'to be checked',
  handover: 'ready to go',
  closed: 'closed',
  declined: 'declined',
};

/** The stages of a saw's page in the order of the trade. */
export const STAGE_PAGES = ['measure', 'plan', 'bench', 'check', 'handover'] as const;
export type StagePage = (typeof STAGE_PAGES)[number];

export const PAGE_NAMES: Record<StagePage, string> = {
  measure: 'Measure',
  plan: 'Plan',
  bench: 'Bench',
  check: 'Check',
  handover: 'Handover',
};

/** The page a ticket of this stage opens at. */
export const pageOf = (stage: Stage): StagePage => (stage === 'closed' || stage === 'declined' ? 'handover' : stage);

/** How a ticket ended without the work it came for. */
export const ENDING_NAMES: Record<Ending, string> = {
  refused: 'Refused',
  cancelled: 'Called off',
  returned: 'Given back unsharpened',
  'given-up': 'Given up',
  lost: 'Lost',
  swapped: 'Gone home with somebody else',
};

/** Where a note to the customer is. */
export const NOTE_STATES: Record<Message['state'], string> = {
  waiting: 'waiting to be sent',
  sent: 'sent',
  overtaken: 'overtaken, not sent',
};

/** What a ticket waits for, as it is said. */
export const WAIT_WORDS: Record<Waits, string> = {
  customer: 'the customer',
  part: 'a part',
  grinder: 'the grinder',
};
