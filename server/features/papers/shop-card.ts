import { strokesOfStep, wholeMinutes } from '@odontis/core/work/step';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Dossier } from '@odontis/contract/dossier';
import { sawInWords } from '@odontis/contract/saw-words';
import type { ShopBook } from '@odontis/contract/shop';
import { stepTitle } from '@odontis/contract/step-words';
import { workSays } from '@odontis/contract/work-words';
import { POWERED_BLADE_CAUTION } from '@odontis/core/circular/blade-geometry';
import { isPowered } from '@odontis/core/saw/all-families';
import { endsOf } from '@odontis/core/saw/ends';
import { hardestOf } from '@odontis/core/testcut/foretold';
import type { ForetoldCut } from '@odontis/core/testcut/foretold';
import { sayFine, sayLong, sayPlate } from '@odontis/core/units/shop-speech';
import type { Step } from '@odontis/core/work/step';
import { cutOf, kerfPair } from './kerf-pair';
import { loadLanes } from './line-picture';
import { pt } from './print';

/** A box to be ticked with a pencil; one for every row, as the printer writes into what it is given. */
const box = (): Content => ({
  svg: '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><rect x="0.5" y="0.5" width="9" height="9" fill="none" stroke="#222" stroke-width="0.8"/></svg>',
  width: pt(4),
});

const STOP_WORDS: Partial<Record<Step['unit'], readonly [string, string]>> = {
  gullet: ['gullet', 'gullets'],
  tooth: ['tooth', 'teeth'],
  window: ['window', 'windows'],
  raker: ['raker', 'rakers'],
  part: ['part', 'parts'],
};

/** At how many places, and how many strokes in all; nothing of a step that is done to the whole saw at once. */
function stopsSay(step: Step): string {
  const { unit, stops } = step;
  const words = STOP_WORDS[unit];
  if (!words || stops.length === 0) return '';
  const strokes = strokesOfStep(step);
  return `${stops.length} ${words[stops.length === 1 ? 0 : 1]}${strokes > 0 ? `, ${strokes} strokes` : ''}`;
}

/** Load on every tooth before and after, and which carries most. */
function loads({ now, chosen }: ForetoldCut, ends: { readonly heel: string; readonly toe: string }): Content[] {
  if (!now.loads || !chosen.loads) return [];
  const lane = { before: now.loads.loadMm, after: chosen.loads.loadMm };
  const [was, is] = [hardestOf(now), hardestOf(chosen)];
  const share = (of: number): string => `${Math.round(100 * of)} of 100`;
  const worst = (of: typeof was, over: number): string =>
    `tooth ${of?.tooth ?? 0} carries ${over.toFixed(1)} times the mean`;
  return [
    {
      text:
        `Load on every tooth, ${ends.heel} to ${ends.toe}: before above, ${share(now.loads.shareWorking)} cut, ${worst(was, now.loads.worstOverMean)}; ` +
        `as worked below, ${share(chosen.loads.shareWorking)} cut, ${worst(is, chosen.loads.worstOverMean)}. One scale.`,
      fontSize: 8,
      color: '#555',
    },
    { svg: loadLanes(lane), width: pt(174), margin: [0, 2, 0, 6] },
  ];
}

/** The shop's own card of a saw: its order with a box a step, and the cut it promises. It goes with the saw, not home. */
export function shopCard(dossier: Dossier, book: ShopBook): TDocumentDefinitions {
  const { ticket, customer, saw, plan } = dossier;
  const say = {
    fine: (mm: number) => sayFine(mm, book),
    long: (mm: number) => sayLong(mm, book),
    plate: (mm: number) => sayPlate(mm, book),
  };
  const ends = endsOf(saw);
  const order = plan?.order;
  const foretold = cutOf(dossier);
  const minutes = wholeMinutes(order?.steps ?? []);
  const cautions = [...new Set(order?.steps.flatMap((step) => step.cautions) ?? [])];
  return {
    pageSize: 'A4',
    pageMargins: [pt(18), pt(14), pt(18), pt(14)],
    info: { title: `Card ${ticket.number}` },
    content: [
      { text: `${ticket.number}  ${saw.name}`, fontSize: 18, bold: true },
      { text: `${customer.name} · ${sawInWords(saw, book)} · promised ${ticket.promisedOn}`, color: '#555' },
      ...(order
        ? [
            {
              text: `${workSays(order)}. About ${Math.round(order.minutes)} minutes.`,
              margin: [0, 6, 0, 6],
            } satisfies Content,
            {
              layout: 'lightHorizontalLines',
              table: {
                widths: [pt(6), '*', 110, 40],
                body: order.steps.map((step, i) => [
                  box(),
                  { text: stepTitle(step, say, ends) },
                  { text: stopsSay(step), color: '#555' },
                  { text: `${minutes[i] ?? 0} min`, alignment: 'right' },
                ]),
              },
              margin: [0, 0, 0, 8],
            } satisfies Content,
          ]
        : [{ text: 'Nothing is planned yet.', margin: [0, 6, 0, 6] } satisfies Content]),
      ...(foretold ? [...loads(foretold.cut, ends), ...kerfPair(foretold)] : []),
      ...cautions.map((text): Content => ({ text, fontSize: 8, margin: [0, 1, 0, 1] })),
      ...(isPowered(saw.family) ? [{ text: POWERED_BLADE_CAUTION, fontSize: 8 } satisfies Content] : []),
    ],
  };
}
