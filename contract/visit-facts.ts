import { nextVisit } from '@odontis/core/life/life';
import type { Reason } from '@odontis/core/reason/reason';
import type { Got, StepDeed } from '@odontis/core/work/deeds';
import { deedsOf, howFar } from '@odontis/core/work/deeds';
import { linesOfOrder } from '@odontis/core/work/lines-of-order';
import type { StepKind } from '@odontis/core/work/step';
import type { CheckRound } from './check';
import type { Dossier } from './dossier';

/** Steps that leave teeth sharp. */
const SHARPENS: ReadonlySet<StepKind> = new Set(['sharpen', 'last-pass', 'point', 'edge', 'round', 'chipper', 'home']);

/** When a saw should come again: months as they are told, and why. */
export interface ComeAgain {
  readonly from: string;
  readonly to: string;
  readonly reason: Reason;
}

/** What is so of a visit, worked out here for page, paper and file alike. */
export interface VisitFacts {
  /** Of every order in turn, the latest last. */
  readonly deeds: readonly (readonly StepDeed[])[];
  /** How far the latest order got; nothing where there is none. */
  readonly got: Got;
  /** Every stop that sharpens was done, of the latest order that has any. */
  readonly sharpened: boolean;
  /** The last cut of every line that was worked passed. */
  readonly passed: boolean;
  /** It went home with the work it came for. */
  readonly worked: boolean;
  /** The moment the visit is told as of: when it ended, or now. */
  readonly asOf: string;
  /** Null of a saw that did not get the work it came for. */
  readonly again: ComeAgain | null;
}

const lastRounds = (rounds: readonly CheckRound[]): CheckRound[] =>
  [...new Set(rounds.map((round) => round.edge))].flatMap(
    (edge) => rounds.findLast((round) => round.edge === edge) ?? [],
  );

/** Everything that is told of a visit in more than one place. `now` is the moment it is asked at. */
export function visitFacts({ ticket, saw, plan, earlier, checks }: Dossier, now: string): VisitFacts {
  const deeds = [...earlier, ...(plan ? [plan] : [])].map((one) => deedsOf(one.order, one));
  const latest = deeds.at(-1) ?? [];
  // An order from where the saw was has no step for edges that were made before it.
  const sharpening = deeds.map((one) => one.filter((deed) => SHARPENS.has(deed.step.kind)));
  const own = sharpening.findLast((one) => one.length > 0) ?? [];
  const lines = Math.max(1, linesOfOrder(plan?.order).length);
  const last = lastRounds(checks);
  const passed = last.length >= lines && last.every((round) => round.verdict === 'pass');
  const byHand = plan === null && ticket.workDone !== '';
  const worked = ticket.stage === 'closed' || (ticket.stage === 'handover' && (passed || byHand));
  const asOf = ticket.closedAt ?? now;
  return {
    deeds,
    got: howFar(latest),
    sharpened: byHand || (own.length > 0 && own.every((deed) => deed.done === deed.stops)),
    passed,
    worked,
    asOf,
    again: worked ? comeAgain(saw.family, ticket.useRate, asOf) : null,
  };
}

type AskedOf = readonly [Dossier['saw']['family'], Dossier['ticket']['useRate'], string];

function comeAgain(...[family, useRate, asOf]: AskedOf): ComeAgain {
  const { fromMonths, toMonths, reason } = nextVisit(family, useRate);
  return { from: monthAfter(asOf, fromMonths), to: monthAfter(asOf, toMonths), reason };
}

const MONTHS = [
  ...['January', 'February', 'March', 'April', 'May', 'June'],
  ...['July', 'August', 'September', 'October', 'November', 'December'],
] as const;
const MONTH_DAYS = 30;

/** The month so many months after a moment, by the calendar of Greenwich so that every page says the same one. */
function monthAfter(iso: string, months: number): string {
  const at = new Date(iso);
  // The first of its month, lest the 31st runs over; what is no whole month counts thirty days to one.
  const day = at.getUTCDate() - 1 + (months % 1) * MONTH_DAYS;
  const first = new Date(Date.UTC(at.getUTCFullYear(), at.getUTCMonth() + Math.floor(months), 1));
  const lastDay = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate();
  const whole = months % 1 === 0 ? Math.min(day, lastDay - 1) : day;
  const then = new Date(first.getTime() + whole * 86_400_000);
  return `${MONTHS[then.getUTCMonth()] ?? ''} ${then.getUTCFullYear()}`;
}

/** The months in words. */
export const againSays = ({ from, to }: ComeAgain): string =>
  from === to ? `In ${from}` : `Between ${from} and ${to}`;
