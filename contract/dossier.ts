import type { CheckRound } from './check';
import type { Session } from '@odontis/core/evidence/session';
import type { AcceptedPlan } from './plan';
import type { Message, Photograph } from './notes';
import type { KeptSaw } from './saw';
import type { Customer, Ticket, Visit } from './ticket';

/** Everything about one ticket: what every stage of the saw's page is drawn from. */
export interface Dossier {
  readonly ticket: Ticket;
  readonly customer: Customer;
  readonly saw: KeptSaw;
  /** Everything ever read of it on this ticket, in sessions as they were begun. */
  readonly sessions: readonly Session[];
  /** The number of the last reading in it. */
  readonly seen: number;
  readonly plan: AcceptedPlan | null;
  readonly checks: readonly CheckRound[];
  readonly visits: readonly Visit[];
  /** Other tickets of the same arrival. */
  readonly cameWith: readonly { readonly id: number; readonly number: number; readonly saw: string }[];
  readonly photographs: readonly Photograph[];
  readonly messages: readonly Message[];
}
