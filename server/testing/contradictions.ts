import type { Dossier } from '@odontis/contract/dossier';
import type { ShopBook } from '@odontis/contract/shop';
import type { PriceWord } from '@odontis/core/money/price-chain';
import { teethOf } from '@odontis/core/saw/saw';
import { linesOfOrder } from '@odontis/core/work/lines-of-order';
import { quoteDocument } from '../features/papers/quote';
import { reportDocument } from '../features/papers/report';
import { shopCard } from '../features/papers/shop-card';

/** Every word on a paper, in order. */
export function wordsOn(content: unknown): string {
  if (typeof content === 'string') return content;
  if (Array.isArray(content)) return content.map(wordsOn).join('\n');
  if (typeof content !== 'object' || content === null) return '';
  const { text, ul, columns, table, stack } = content as Record<string, unknown>;
  const rows = (table as { body?: unknown } | undefined)?.body;
  return [text, ul, columns, stack, rows]
    .map(wordsOn)
    .filter((one) => one !== '')
    .join('\n');
}

/** The papers of a ticket as its owner and the shop read them. */
export const papersOf = (dossier: Dossier, book: ShopBook, now: string) => ({
  report: wordsOn(reportDocument(dossier, book, now).content),
  quote: wordsOn(quoteDocument([dossier], book).content),
  card: wordsOn(shopCard(dossier, book).content),
});

/** What of a saw's steps leaves teeth sharp, and what sets them: told here again, by another hand than the reports'. */
const SHARPENS = /^(sharpen|last-pass|point|edge|round|chipper|home)$/;
const SUMS = /\d+\.\d\d(?!\d)/g;

/**
 * Everything told of a ticket that another place tells otherwise, each in a sentence; none of one whose word is kept.
 * Worked out from the records alone, by none of what the pages and papers are made with.
 */
export function contradictions(dossier: Dossier, book: ShopBook, now: string): string[] {
  const { ticket, plan, earlier, prices, checks, saw } = dossier;
  const found: string[] = [];
  const never = (is: boolean, says: string): void => void (is && found.push(`no. ${ticket.number}: ${says}`));
  const { report, quote, card } = papersOf(dossier, book, now);
  const ended = ticket.closedAt !== null;

  // Money.
  const last = (...kinds: string[]): PriceWord | undefined => prices.filter((word) => kinds.includes(word.kind)).at(-1);
  const [estimate, planned, charged] = [last('estimate'), last('plan', 'outwork'), last('charged')];
  const agreed = last('agreed') ?? estimate;
  never(!estimate, 'nothing was quoted at the counter');
  never(
    prices.some((word, i) => i > 0 && word.at < (prices[i - 1]?.at ?? '')),
    'words of the price are out of order',
  );
  never(!!plan && !planned, 'a plan without its price');
  never(!!charged && charged.high > (agreed?.high ?? 0) + 0.005, 'charged above what was agreed');
  never(
    !!charged &&
      ticket.stage === 'closed' &&
      !!planned &&
      Math.abs(charged.high - planned.high) > 0.005 &&
      charged.note === '',
    `charged ${charged?.high} beside a plan of ${planned?.high}, without a word`,
  );
  never(
    ticket.stage === 'closed' &&
      !!planned &&
      planned.high > (agreed?.high ?? 0) + 0.005 &&
      (charged?.high ?? 0) > (agreed?.high ?? 0),
    'closed above what was agreed',
  );
  if (charged) {
    const line = report.split('\n').find((one) => one.startsWith('Charged'));
    never(!line?.includes(charged.high.toFixed(2)), 'the report tells another charge');
  } else never(/^Charged/m.test(report), 'the report tells a charge that was never made');
  const told = last('asked') ?? estimate;
  if (told && ticket.stage !== 'declined')
    never(![...quote.matchAll(SUMS)].some(([sum]) => sum === told.high.toFixed(2)), 'the quote tells another sum');
  if (planned && plan && earlier.length === 0 && dossier.preparations.length + dossier.outwork.length === 0)
    never(Math.abs(planned.high - (plan.order.price?.amount ?? -1)) > 0.005, 'the price is not its order’s');

  // What may be begun.
  const walk = plan?.order.steps.flatMap((step, n) => step.stops.map((stop) => ({ ...stop, n }))) ?? [];
  const over = !ended && !!planned && planned.high > (agreed?.high ?? 0) + 0.005;
  const waived =
    prices.findLastIndex((w) => w.kind === 'waived') >
    prices.findLastIndex((w) => w.kind === 'plan' || w.kind === 'outwork');
  // Without an order there is no stop to hold: what is asked stands on the ticket.
  never(over && !waived && !!plan && ticket.heldFrom === null, 'work goes on above what was agreed');
  never(!over && ticket.heldFrom !== null, 'work is held back that is agreed');
  if (ticket.heldFrom !== null && plan) {
    const held = ticket.heldFrom;
    never(held > walk.length, 'held beyond its last stop');
  }

  // Deeds.
  const done = new Set(plan?.done ?? []);
  const out = new Set(plan?.skipped.map((one) => one.stop) ?? []);
  never(
    [...done].some((stop) => out.has(stop)),
    'a stop is done and left out',
  );
  const sharpening = walk.flatMap((stop, i) => (SHARPENS.test(plan?.order.steps[stop.n]?.kind ?? '') ? [i] : []));
  // What an earlier order sharpened is no step of one that goes on from there.
  const before = [...earlier].reverse().find((one) => one.order.steps.some((step) => SHARPENS.test(step.kind)));
  const beforeStops = before?.order.steps.flatMap((step) => step.stops.map(() => SHARPENS.test(step.kind))) ?? [];
  const sharp =
    sharpening.length > 0
      ? sharpening.every((stop) => done.has(stop))
      : beforeStops.some((is) => is) && beforeStops.every((is, i) => !is || before?.done.includes(i));
  const byHand = !plan && ticket.workDone !== '';
  never(/teeth are sharp/i.test(report) && !sharp && !byHand, 'the report calls teeth sharp that were not sharpened');
  never(!/teeth are sharp/i.test(report) && sharp, 'the report does not say that the teeth are sharp');
  never(/^Next visit/m.test(report) && !['closed', 'handover'].includes(ticket.stage), 'the report names a next visit');
  never(ticket.stage === 'closed' && !/^Next visit/m.test(report), 'the report of a closed ticket names no next visit');
  const setDone = walk.every(
    (stop, i) => !/^(set|swage-teeth)$/.test(plan?.order.steps[stop.n]?.kind ?? '') || done.has(i),
  );
  never(/, renewed$/m.test(report) && !setDone, 'the report tells a set renewed that was not set');
  never(
    /^Taken off the line/m.test(report) &&
      !walk.every((stop, i) => plan?.order.steps[stop.n]?.kind !== 'joint' || done.has(i)),
    'the report tells a joint that was not made',
  );
  never(
    done.size + out.size < walk.length && ['check', 'handover'].includes(ticket.stage),
    'past the bench with stops open',
  );
  never(ended && /^Still open/m.test(report), 'the report of an ended ticket has work open');

  // Dates.
  const moments = [
    ...[ticket.openedAt, plan?.acceptedAt ?? '', ...checks.map((c) => c.at)],
    ...dossier.sessions.flatMap((s) => [s.startedAt, ...s.readings.map((r) => r.at)]),
  ];
  never(
    moments.some((at) => at > (ticket.closedAt ?? now)),
    'something happened after its report was dated',
  );
  const day = new Date(`${ticket.promisedOn}T12:00:00Z`).getUTCDay();
  never(
    !ended && !(book.bench?.days ?? [1, 2, 3, 4, 5]).includes(day === 0 ? 7 : day),
    'promised for a day nobody works',
  );

  // Checks.
  never(
    checks.some((c) => c.verdict === 'pass' && (c.runs === null || c.binds === null || c.chatters === null)),
    'a cut passed that was not looked at',
  );
  never(
    ticket.stage === 'handover' && plan !== null && !checks.some((c) => c.verdict === 'pass'),
    'ready without a cut that passed',
  );
  const lastCut = checks.at(-1);
  if (lastCut) {
    never(lastCut.runs === 'true' && !report.includes('it runs true'), 'the report hides that it runs true');
    never(lastCut.runs === null && report.includes('it runs true'), 'the report tells a drift that nobody looked for');
  }

  // Numbers that stand in several places.
  if (plan) {
    const { steps, minutes, strokes } = plan.order;
    const all = steps.reduce((sum, step) => sum + step.minutes, 0);
    never(Math.abs(all - minutes) > 1e-6, 'minutes of the steps are not the order’s');
    const each = steps.reduce(
      (sum, step) =>
        sum +
        step.stops.reduce(
          (s, stop) => s + stop.strokes * (step.unit === 'window' ? (stop.to ?? stop.at) - stop.at + 1 : 1),
          0,
        ),
      0,
    );
    never(each !== strokes, `strokes of the stops, ${each}, are not the order’s, ${strokes}`);
    const printed = [...card.matchAll(/, (\d+) strokes/g)].reduce((sum, [, n]) => sum + Number(n), 0);
    never(printed !== strokes, `strokes on the card, ${printed}, are not the order’s, ${strokes}`);
    const rows = [...card.matchAll(/^(\d+) min$/gm)].reduce((sum, [, n]) => sum + Number(n), 0);
    never(rows !== Math.round(minutes), `minutes on the card, ${rows}, are not the order’s, ${Math.round(minutes)}`);
    const kerfs = new Set([...report.matchAll(/[Kk]erf(?:\n| )([\d.]+)/g)].map(([, wide]) => wide));
    never(kerfs.size > 1, `kerfs of ${[...kerfs].join(' and ')} in one report`);
  }
  const lines = linesOfOrder(plan?.order);
  if (lines.length <= 1 && !['band', 'circular', 'dado', 'pull'].includes(saw.family)) {
    const counted = /^Teeth\n(\d+)/m.exec(report)?.[1];
    never(
      counted !== undefined && plan?.order.work !== 'retooth' && Number(counted) !== teethOf(saw),
      `the report counts ${counted} of ${teethOf(saw)} teeth`,
    );
  }
  never(
    /take it if|offer a replacement|say what will be lost/i.test(report + quote),
    'a hint meant for the counter stands on a paper',
  );
  never(/why: |undefined|NaN|null/.test(report + quote + card), 'a paper shows what a program means');
  return found;
}
