import type { CheckRound } from './check';
import type { AcceptedPlan } from './plan';
import type { Measuring } from './readings';
import type { Customer, Saw, Ticket, Visit } from './ticket';

/** Everything about one ticket: what every stage of the saw's page is drawn from. */
export interface Dossier {
  readonly ticket: Ticket;
  readonly customer: Customer;
  readonly saw: Saw;
  readonly measurings: readonly Measuring[];
  readonly plan: AcceptedPlan | null;
  readonly checks: readonly CheckRound[];
  readonly visits: readonly Visit[];
}
