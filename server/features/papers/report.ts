import { DateTime } from 'luxon';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { CheckRound } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import { FAMILY_WORDS, sawInWords } from '@odontis/contract/saw-words';
import { POWERED_BLADE_CAUTION } from '@odontis/core/circular/blade-geometry';
import { isPowered } from '@odontis/core/saw/all-families';
import type { ShopBook } from '@odontis/contract/shop';
import { ownerReasons } from '@odontis/contract/owner-words';
import { preparedSays, sayDeeds } from '@odontis/contract/deed-words';
import type { Ending } from '@odontis/contract/ticket';
import type { ToothCounts } from '@odontis/contract/tooth-counts';
import { countsSay, toothCounts } from '@odontis/contract/tooth-counts';
import type { VisitFacts } from '@odontis/contract/visit-facts';
import { againSays, visitFacts } from '@odontis/contract/visit-facts';
import { setLasts, workSays } from '@odontis/contract/work-words';
import { howFar, isDone } from '@odontis/core/work/deeds';
import type { WorkOrder } from '@odontis/core/work/order';
import { isLineOrder } from '@odontis/core/work/order';
import { saySharpenings } from '@odontis/core/life/life';
import { sawIn } from '@odontis/core/work/saw-after';
import { lineOf } from '@odontis/core/evidence/line-of';
import type { LineStatistics } from '@odontis/core/evidence/line-statistics';
import { lineStatistics } from '@odontis/core/evidence/line-statistics';
import type { LineView } from '@odontis/core/evidence/line-of';
import { rakersRead } from '@odontis/core/evidence/rakers-read';
import { standingTeeth } from '@odontis/core/evidence/tooth-reading';
import { overOwnArc } from '@odontis/core/line/own-arc';
import type { Filing } from '@odontis/core/saw/families';
import { lineSawAt, softEdgesOf } from '@odontis/core/saw/edges';
import { endsOf } from '@odontis/core/saw/ends';
import type { Saw } from '@odontis/core/saw/saw';
import { isPointed, placesOn, rolesOn } from '@odontis/core/saw/saw';
import { sayFine, sayFleam, sayPlate, sayRake } from '@odontis/core/units/shop-speech';
import { heightLanes } from './line-picture';
import { pt } from './print';
import { cutOf, kerfBeforeAndAfter } from './kerf-pair';
import { roundRows } from './round-rows';

type Row = [string, string];

/** A heading with its rows; nothing at all where there are none to tell. */
const chapter = (title: string, rows: Row[]): Content[] => (rows.length === 0 ? [] : [heading(title), table(rows)]);

const table = (rows: Row[]): Content => ({
  layout: 'noBorders',
  table: { widths: [150, '*'], body: rows.map(([name, value]) => [{ text: name, color: '#555' }, { text: value }]) },
  margin: [0, 2, 0, 8],
});

const heading = (text: string): Content => ({ text, fontSize: 12, bold: true, margin: [0, 8, 0, 2] });

/** What was done of each order, and what of it is open or was left out; what a plan came to is told where its steps were done. */
function done(dossier: Dossier, facts: VisitFacts, book: ShopBook): Row[] {
  const { plan, earlier, ticket, preparations } = dossier;
  const prepared: Row[] = preparations.length > 0 ? [['Prepared', preparedSays(preparations)]] : [];
  if (!plan) return ticket.workDone === '' ? prepared : [...prepared, ['Work', ticket.workDone]];
  const orders = [...earlier, plan];
  const goesOn = ticket.closedAt === null;
  const rows = orders.flatMap((one, i): Row[] => {
    const deeds = facts.deeds[i] ?? [];
    const latest = one === plan;
    const said = sayDeeds(deeds, latest && goesOn);
    const named = orders.length > 1 ? `, order ${one.number}` : '';
    const whole = latest && howFar(deeds) === 'all' && said.leftOut === '';
    return [
      ...(whole ? [[`Work${named}`, workSays(one.order)] satisfies Row] : []),
      ...(said.done === '' ? [] : [[`Done${named}`, said.done] satisfies Row]),
      ...(said.leftOut === '' ? [] : [[`Left out${named}`, said.leftOut] satisfies Row]),
      ...(said.open === '' ? [] : [[`Still open${named}`, said.open] satisfies Row]),
    ];
  });
  if (facts.got === 'nothing') return [...prepared, ...rows];
  return [...prepared, ...rows, ...doneOf(dossier, plan.order, facts, book)];
}

/** What an order's steps that were done came to. */
function doneOf(dossier: Dossier, order: WorkOrder, facts: VisitFacts, book: ShopBook): Row[] {
  const deeds = facts.deeds.at(-1) ?? [];
  // Where the kerf is drawn, its width is told with it.
  const drawn = cutOf(dossier) !== null;
  if (order.round) return roundRows(order.round, order, { deeds, drawn }, book);
  if (!isLineOrder(order)) return [];
  const { forecast, inputs, choice } = order;
  const filed = facts.sharpened;
  const rows: Row[] = [];
  if (filed)
    rows.push([
      'Filing',
      `${inputs.from ? `${inputs.from.filing} before, now ` : ''}${inputs.saw.filing}, face ${sayRake(inputs.angles.rakeDeg, book)}, ${sayFleam(inputs.angles.fleamDeg, book)}`,
    ]);
  if (isDone(deeds, 'joint') && (choice.depthMm > 0 || order.work === 'convert')) {
    rows.push(['Taken off the line', sayFine(choice.depthMm, book)]);
    rows.push(['Teeth on the line', `${Math.round(forecast.cut.reachedShare * 100)} %, by the plan`]);
  }
  if (filed && forecast.line.breast && forecast.line.breast.sagittaMm > 0)
    rows.push(['Breast', `${sayPlate(forecast.line.breast.sagittaMm, book)} high in the middle`]);
  if (forecast.rakers && isDone(deeds, 'raker-tips')) {
    const { wantedMm, tip, tooLow } = forecast.rakers;
    const left = tooLow.length > 0 ? `; ${tooLow.length} already lower, left as they were` : '';
    rows.push(['Rakers', `${sayFine(wantedMm, book)} below the cutters, ${tip} tips${left}`]);
  }
  if (choice.sample)
    rows.push(['Measured', `${inputs.measured} of ${inputs.readings.length} teeth, which stand for the rest`]);
  if (!forecast.set.reset) {
    if (filed) rows.push(['Set per side', 'left as it was, enough for now']);
  } else if (isDone(deeds, 'set')) rows.push(['Set per side', `${sayFine(forecast.set.perSideMm, book)}, renewed`]);
  if (filed && !drawn) rows.push(['Kerf', `${sayPlate(forecast.cut.kerfMm, book)}, by the plan`]);
  if (facts.worked) rows.push(['Left in the plate', saySharpenings(forecast.life.left)]);
  return rows;
}

/** Looked at in a cut: what was seen of drift, binding and jumping, and what nobody looked at. */
function seenIn({ runs, binds, chatters }: CheckRound): string {
  const seen = [
    runs === 'true' ? 'it runs true' : runs && `it runs to the ${runs}`,
    binds === null ? null : binds ? 'it binds' : 'does not bind',
    chatters === null ? null : chatters ? 'it jumps' : 'does not jump',
  ].filter((one) => one !== null);
  const open = [
    ...(runs === null ? ['whether it leaves its line'] : []),
    ...(binds === null ? ['whether it binds'] : []),
    ...(chatters === null ? ['whether it jumps'] : []),
  ];
  return [
    ...(seen.length > 0 ? [`looked at: ${seen.join(', ')}`] : []),
    ...(open.length > 0 ? [`not looked at: ${open.join(', ')}`] : []),
  ].join('; ');
}

function checked(dossier: Dossier, book: ShopBook): Row[] {
  const { checks } = dossier;
  const edges = [...new Set(checks.map((round) => round.edge))];
  return edges.flatMap((edge) =>
    checkedLine(
      checks.filter((round) => round.edge === edge),
      edge,
      book,
    ),
  );
}

const VERDICT_SAYS = { pass: 'passed', again: 'not passed yet', open: 'not passed yet' } as const;

/** How one line of teeth came through its test cuts. */
function checkedLine(rounds: readonly CheckRound[], edge: Filing | null, book: ShopBook): Row[] {
  const last = rounds.at(-1);
  if (!last) return [];
  const rows: Row[] = [
    [edge ? `Test cut, ${edge} edge` : 'Test cut', `${VERDICT_SAYS[last.verdict]}; ${seenIn(last)}`],
  ];
  if (last.setLeftMm !== null && last.setRightMm !== null) {
    rows.push(['Set as measured', `left ${sayFine(last.setLeftMm, book)}, right ${sayFine(last.setRightMm, book)}`]);
  }
  if (last.note !== '') rows.push(['Noted', last.note]);
  const stoned = rounds.reduce((sum, round) => sum + (round.stonedPasses ?? 0), 0);
  if (stoned > 0) rows.push(['Stoned', `${stoned} light ${stoned === 1 ? 'pass' : 'passes'} between the cuts`]);
  return rows;
}

/** A line of cutters as heights over the arc they lie on, its rakers left out: a breast is nothing uneven. */
function straightened(saw: Saw, line: LineView | null): LineView | null {
  if (!line || !isPointed(saw)) return line;
  const roles = rolesOn(saw, line.teeth.length) ?? [];
  const standing = standingTeeth(line.teeth);
  const over = overOwnArc(standing, roles);
  const teeth = standing.flatMap((r, i) => (Number.isNaN(over[i]) ? [] : [{ ...r, yMm: over[i] as number }]));
  return { ...line, teeth };
}

/** How far rakers stand below their cutters, from the shallowest to the deepest; null where none was measured. */
function rakersSaid(dossier: Dossier, kind: 'before' | 'after', book: ShopBook): string | null {
  const depths = [...rakersRead(dossier.sessions, kind).values()].map((r) => r.depthMm);
  if (depths.length === 0) return null;
  return `${sayFine(Math.min(...depths), book)} to ${sayFine(Math.max(...depths), book)} below the cutters, ${depths.length} measured`;
}

/** One line of teeth as it came in and as it went, as far as each was measured. */
interface ReportedLine {
  readonly edge: Filing | null;
  readonly before: LineView | null;
  readonly after: LineView | null;
  readonly found: LineStatistics | null;
  readonly counts: ToothCounts;
}

/** Every line that was measured: both edges of a two-edged saw. */
function reportedLines({ saw, sessions, plan }: Dossier): ReportedLine[] {
  const [came, went] = [sawIn('before', saw, plan?.order), sawIn('after', saw, plan?.order)];
  const edges = softEdgesOf(saw);
  return (edges.length > 0 ? edges : [null]).map((edge) => {
    const read = lineOf(sessions, came, 'before', edge);
    const before = straightened(came, read);
    const after = straightened(went, lineOf(sessions, went, 'after', edge));
    const place = placesOn(lineSawAt(came, edge), before?.teeth.length ?? 0);
    const found = before && lineStatistics(before.teeth, place);
    return { edge, before, after, found, counts: toothCounts(came, edge, read) };
  });
}

function foundRows({ edge, before, after, found, counts }: ReportedLine, book: ShopBook): Row[] {
  if (!found) return [];
  return [
    [edge ? `Teeth, ${edge} edge` : 'Teeth', countsSay(counts)],
    ['Height from highest to lowest', sayFine(found.heightSpreadMm, book)],
    ['Worst spacing error', found.placesMeasured ? sayFine(found.worstSpacingMm, book) : 'not measured'],
    ...(before?.simulated || after?.simulated
      ? [['Readings', 'some of a simulated gauge, not of this saw'] satisfies Row]
      : []),
  ];
}

function linePictures(saw: Saw, { edge, before, after }: ReportedLine, book: ShopBook): Content[] {
  const lanes = [
    ...(before ? [{ name: 'Before', readings: before.teeth }] : []),
    ...(after && after.heightsRead > 2 ? [{ name: 'After', readings: after.teeth }] : []),
  ];
  if (lanes.length === 0) return [];
  const { svg, rangeMm } = heightLanes(lanes);
  return [
    {
      text: `Tooth heights, ${endsOf(saw).heel} to ${endsOf(saw).toe}${edge ? `, ${edge} edge` : ''}, ${lanes.map((l) => l.name.toLowerCase()).join(' and ')}; full height is ${sayFine(rangeMm, book)}.`,
      fontSize: 8,
      color: '#555',
    },
    { svg, width: pt(170) },
  ];
}

/** How a visit ended without the work it came for. */
const ENDED_SAYS: Readonly<Record<Ending, string>> = {
  refused: 'Refused: it goes home as it came.',
  cancelled: 'Called off.',
  returned: 'It goes home without being sharpened.',
  'given-up': 'Given up.',
  lost: 'Lost here. We are sorry.',
  swapped: 'Gone home with somebody else by mistake. We are sorry.',
};

function endedRows({ ticket }: Dossier): Row[] {
  if (ticket.stage !== 'declined') return [];
  return [
    ['Ended', ENDED_SAYS[ticket.endedAs ?? 'refused']],
    ...(ticket.tried === '' ? [] : [['Tried', ticket.tried] satisfies Row]),
  ];
}

/** What was done of it at a grinder's; who that is stays in the shop. */
const elsewhereRows = ({ outwork }: Dossier): Row[] =>
  outwork.flatMap(({ work, back }): Row[] =>
    back === null ? [] : [['Done elsewhere', back.result === 'came-out' ? work : `${work}: it was not done`]],
  );

/** The customer's report: what was found, done and checked, before and after, and when to come again. `now` dates one of a visit that goes on. */
export function reportDocument(dossier: Dossier, book: ShopBook, now: string): TDocumentDefinitions {
  const { ticket, customer, saw } = dossier;
  const facts = visitFacts(dossier, now);
  const lines = reportedLines(dossier);
  const rakers = { before: rakersSaid(dossier, 'before', book), after: rakersSaid(dossier, 'after', book) };
  const round = dossier.plan?.order.round;
  const lasts =
    dossier.plan?.order.forecast?.filingsTheSetLasts ??
    (round && 'filingsTheSetLasts' in round.forecast ? round.forecast.filingsTheSetLasts : undefined);
  const day = DateTime.fromISO(facts.asOf);
  const charged = dossier.prices.findLast((word) => word.kind === 'charged');
  const agreed = ticket.reasons.filter((r) => ticket.consents.includes(r.rule));
  return {
    pageSize: 'A4',
    pageMargins: [pt(18), pt(16), pt(18), pt(16)],
    info: { title: `Report ${ticket.number}` },
    content: [
      { text: book.name, fontSize: 11, color: '#3b3f8f', bold: true },
      { text: `Your ${saw.name.charAt(0).toLowerCase()}${saw.name.slice(1)}`, fontSize: 20, bold: true },
      {
        text: `${customer.name} · ticket ${ticket.number} · ${day.toFormat('d LLLL yyyy')}${ticket.closedAt === null ? ', while it is in the shop' : ''}`,
        color: '#555',
        margin: [0, 0, 0, 6],
      },
      table([
        ['Saw', `${FAMILY_WORDS[saw.family]}, ${sawInWords(saw, book)}`],
        ['Plate', sayPlate(saw.plateThicknessMm, book)],
        ...elsewhereRows(dossier),
        ...(ticket.complaint ? [['You told us', ticket.complaint] satisfies Row] : []),
        ...ownerReasons(agreed).map((says): Row => ['You agreed', says]),
      ]),
      ...chapter('What we found', [
        ...ownerReasons(ticket.reasons).map((says, i): Row => [i === 0 ? 'At the counter' : '', says]),
        ...lines.flatMap((line) => foundRows(line, book)),
        ...(rakers.before ? [['Rakers', rakers.before] satisfies Row] : []),
      ]),
      ...lines.flatMap((line) => linePictures(saw, line, book)),
      ...chapter(facts.got === 'part' && ticket.closedAt === null ? 'What is done so far' : 'What we did', [
        ...done(dossier, facts, book),
        ...endedRows(dossier),
      ]),
      ...(facts.got === 'all' && facts.sharpened ? kerfBeforeAndAfter(dossier, book) : []),
      ...chapter('How it cuts', [
        ...checked(dossier, book),
        ...(rakers.after ? [['Rakers now', rakers.after] satisfies Row] : []),
      ]),
      ...(ticket.handoverNote ? [heading('From the bench'), { text: ticket.handoverNote } satisfies Content] : []),
      ...(facts.again
        ? ([
            heading('Next visit'),
            {
              text: `${againSays(facts.again)}, going by how often it works.${lasts ? ` ${setLasts(lasts)}` : ''}`,
            },
          ] satisfies Content[])
        : []),
      ...(facts.sharpened
        ? ([{ text: 'The teeth are sharp: keep the guard on.', margin: [0, 6, 0, 0] }] satisfies Content[])
        : []),
      ...(isPowered(saw.family) ? ([{ text: POWERED_BLADE_CAUTION, margin: [0, 4, 0, 0] }] satisfies Content[]) : []),
      ...(charged
        ? [
            {
              text: `Charged: ${ticket.currency} ${charged.high.toFixed(2)}`,
              margin: [0, 8, 0, 0],
              bold: true,
            } satisfies Content,
          ]
        : []),
    ],
  };
}
