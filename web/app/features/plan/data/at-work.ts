import type { Stage } from '@odontis/contract/ticket';

/** At these stages an order was accepted and may be planned again from where the saw is. */
export const atWork = (stage: Stage | undefined): boolean => stage === 'bench' || stage === 'check';
