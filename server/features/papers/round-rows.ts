import type { ShopBook } from '@odontis/contract/shop';
import { workSays } from '@odontis/contract/work-words';
import type { BandOrdered } from '@odontis/core/work/families/band/inputs';
import type { BladeOrdered } from '@odontis/core/work/families/circular/inputs';
import type { DadoOrdered } from '@odontis/core/work/families/dado/inputs';
import type { RoundOrdered, WorkOrder } from '@odontis/core/work/order';
import { sayFine, sayPlate } from '@odontis/core/units/shop-speech';

type Row = [string, string];

/** What was done to a saw whose teeth go round, as its owner reads it. */
export function roundRows(round: RoundOrdered, order: WorkOrder, book: ShopBook): Row[] {
  const work: Row = ['Work', workSays(order)];
  switch (round.family) {
    case 'band':
      return [work, ...bandRows(round, order, book)];
    case 'circular':
      return [work, ...bladeRows(round, book)];
    case 'dado':
      return [work, ...dadoRows(round, book)];
  }
}

const setRow = (
  { set }: { readonly set: { readonly perSideMm: number; readonly reset: boolean } },
  book: ShopBook,
): Row => ['Set per side', set.reset ? `${sayFine(set.perSideMm, book)}, renewed` : 'left as it was, enough for now'];

function bandRows({ forecast, inputs }: BandOrdered, order: WorkOrder, book: ShopBook): Row[] {
  const strokes = order.strokes / forecast.teeth;
  return [
    ['Teeth', `${forecast.teeth}${inputs.counted ? ', counted' : ''}, ${strokes} strokes in every gullet`],
    setRow(forecast, book),
    ['Kerf', sayPlate(forecast.kerfMm, book)],
    ...(forecast.atWeld ? [['At the weld', forecast.atWeld] satisfies Row] : []),
  ];
}

function bladeRows({ forecast, inputs }: BladeOrdered, book: ShopBook): Row[] {
  if (inputs.saw.tipped === 'carbide') return inputs.wish.asked ? [['Asked for', inputs.wish.asked]] : [];
  const { spreadBeforeMm, spreadAfterMm, jointMm, bladeMm, arborMm } = forecast;
  const rows: Row[] = [];
  if (spreadBeforeMm !== null && spreadAfterMm !== null)
    rows.push([
      'Scoring teeth, highest to lowest',
      `${sayFine(spreadBeforeMm, book)} before, ${sayFine(spreadAfterMm, book)} foretold`,
    ]);
  if (jointMm > 0)
    rows.push(['Diameter', `${sayPlate(forecast.diameterMm, book)} after ${sayFine(jointMm, book)} jointed`]);
  if (bladeMm !== null)
    rows.push([
      'Off its centre',
      arborMm === null
        ? `${sayFine(bladeMm, book)}, blade and arbor together`
        : `the blade ${sayFine(bladeMm, book)}; the arbor ${sayFine(arborMm, book)}, which stays with the machine`,
    ]);
  return [...rows, setRow(forecast, book), ['Kerf', sayPlate(forecast.kerfMm, book)]];
}

function dadoRows({ forecast, inputs }: DadoOrdered, book: ShopBook): Row[] {
  const [stack] = forecast.stacks;
  const { spreadBeforeMm, spreadAfterMm } = forecast;
  return [
    ['Parts', inputs.parts.map((part) => part.id).join(', ')],
    ...(spreadBeforeMm !== null && spreadAfterMm !== null
      ? [
          [
            'Floor of the groove',
            `steps of ${sayFine(spreadBeforeMm, book)} before, ${sayFine(spreadAfterMm, book)} foretold`,
          ] satisfies Row,
        ]
      : []),
    ...(forecast.leftOut.length > 0
      ? [['Out of use', `${forecast.leftOut.join(', ')}, marked so: never mount it`] satisfies Row]
      : []),
    ...(stack ? [['Groove', `${sayPlate(stack.widthMm, book)} with ${stack.parts.join(', ')}`] satisfies Row] : []),
  ];
}
