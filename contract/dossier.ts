import * as z from 'zod';
import type { Session } from '@odontis/core/evidence/session';
import type { CheckRound, LastCheck } from './check';
import { checkRound, lastCheck } from './check';
import { seen, sentSession } from './evidence';
import type { Message, Photograph } from './notes';
import { message, photograph } from './notes';
import type { PriceWord } from '@odontis/core/money/price-chain';
import type { AcceptedPlan } from './plan';
import { acceptedPlan } from './plan';
import type { Outwork } from './outwork';
import { outwork } from './outwork';
import type { ReadingReason, SawCorrection } from './corrections';
import { readingReason, sawCorrection } from './corrections';
import type { Preparation } from './preparing';
import { preparation } from './preparing';
import { prices } from './price';
import type { KeptSaw } from './saw';
import { keptSaw } from './saw';
import type { Customer, Stage, Ticket, Visit } from './ticket';
import { customer, stage, ticket, visit } from './ticket';

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
  /** Orders accepted before that one, the earliest first, with what was done of them. */
  readonly earlier: readonly AcceptedPlan[];
  /** What was done to it before it was measured, as it was done. */
  readonly preparations: readonly Preparation[];
  /** What was put right of the saw's own data, on this visit and before, the earliest first. */
  readonly corrections: readonly SawCorrection[];
  /** Why readings were corrected or taken out after their session was closed. */
  readonly reasons: readonly ReadingReason[];
  /** What was sent to a grinder, the earliest first. */
  readonly outwork: readonly Outwork[];
  /** Everything said of its price, in the order it was said. */
  readonly prices: readonly PriceWord[];
  readonly checks: readonly CheckRound[];
  readonly visits: readonly Visit[];
  /** Of an earlier visit that got so far; null where none did. */
  readonly lastCheck: LastCheck | null;
  /** Other tickets of the same arrival. */
  readonly cameWith: readonly {
    readonly id: number;
    readonly number: number;
    readonly saw: string;
    readonly stage: Stage;
  }[];
  readonly photographs: readonly Photograph[];
  readonly messages: readonly Message[];
}

/** A dossier as it is answered. */
export const dossier: z.ZodType<Dossier> = z.object({
  ticket,
  customer,
  saw: keptSaw,
  sessions: z.array(sentSession),
  seen,
  plan: acceptedPlan.nullable(),
  earlier: z.array(acceptedPlan),
  preparations: z.array(preparation),
  corrections: z.array(sawCorrection),
  reasons: z.array(readingReason),
  outwork: z.array(outwork),
  prices,
  checks: z.array(checkRound),
  visits: z.array(visit),
  lastCheck: lastCheck.nullable(),
  cameWith: z.array(z.object({ id: z.int(), number: z.int(), saw: z.string(), stage })),
  photographs: z.array(photograph),
  messages: z.array(message),
});
