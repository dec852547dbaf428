import type { ShopBook } from '@odontis/contract/shop';
import type { BandOrdered } from '@odontis/core/work/families/band/inputs';
import type { BladeOrdered } from '@odontis/core/work/families/circular/inputs';
import type { DadoOrdered } from '@odontis/core/work/families/dado/inputs';
import type { RoundOrdered, WorkOrder } from '@odontis/core/work/order';
import type { StepDeed } from '@odontis/core/work/deeds';
import { isDone } from '@odontis/core/work/deeds';
import { sayFine, sayPlate } from '@odontis/core/units/shop-speech';

type Row = [string, string];

type Deeds = readonly StepDeed[];
/** What was done, and whether the kerf is drawn elsewhere on the paper. */
interface Told {
  readonly deeds: Deeds;
  readonly drawn: boolean;
}

/** What the steps that were done to a saw whose teeth go round came to, as its owner reads it. */
export function roundRows(round: RoundOrdered, order: WorkOrder, told: Told, book: ShopBook): Row[] {
  switch (round.family) {
    case 'band':
      return bandRows(round, order, told, book);
    case 'circular':
      return bladeRows(round, told, book);
    case 'dado':
      return dadoRows(round, told, book);
  }
}

/** The set as it was renewed, or left; nothing while that is not done. */
function setRows(
  { set }: { readonly set: { readonly perSideMm: number; readonly reset: boolean } },
  deeds: Deeds,
  filed: boolean,
  book: ShopBook,
): Row[] {
  if (!set.reset) return filed ? [['Set per side', 'left as it was, enough for now']] : [];
  return isDone(deeds, 'set', 'swage-teeth') ? [['Set per side', `${sayFine(set.perSideMm, book)}, renewed`]] : [];
}

function bandRows({ forecast, inputs }: BandOrdered, order: WorkOrder, { deeds, drawn }: Told, book: ShopBook): Row[] {
  const strokes = order.strokes / forecast.teeth;
  const filed = isDone(deeds, 'sharpen');
  return [
    [
      'Teeth',
      `${forecast.teeth}${inputs.counted ? ', counted' : ', by its length and pitch'}${filed ? `, ${strokes} strokes in every gullet` : ''}`,
    ],
    ...setRows(forecast, deeds, filed, book),
    ...(filed && !drawn ? [['Kerf', `${sayPlate(forecast.kerfMm, book)}, by the plan`] satisfies Row] : []),
    ...(forecast.atWeld ? [['At the weld', forecast.atWeld] satisfies Row] : []),
  ];
}

function bladeRows({ forecast, inputs }: BladeOrdered, { deeds, drawn }: Told, book: ShopBook): Row[] {
  const filed = isDone(deeds, 'round');
  if (inputs.saw.tipped === 'carbide') return inputs.wish.asked ? [['Asked for', inputs.wish.asked]] : [];
  const { spreadBeforeMm, spreadAfterMm, jointMm, bladeMm, arborMm } = forecast;
  const rows: Row[] = [];
  if (spreadBeforeMm !== null && spreadAfterMm !== null)
    rows.push([
      'Scoring teeth, highest to lowest',
      `${sayFine(spreadBeforeMm, book)} before, ${sayFine(spreadAfterMm, book)} foretold`,
    ]);
  if (jointMm > 0 && isDone(deeds, 'joint-round'))
    rows.push(['Diameter', `${sayPlate(forecast.diameterMm, book)} after ${sayFine(jointMm, book)} jointed`]);
  if (bladeMm !== null)
    rows.push([
      'Off its centre',
      arborMm === null
        ? `${sayFine(bladeMm, book)}, blade and arbor together`
        : `the blade ${sayFine(bladeMm, book)}; the arbor ${sayFine(arborMm, book)}, which stays with the machine`,
    ]);
  return [
    ...rows,
    ...setRows(forecast, deeds, filed, book),
    ...(filed && !drawn ? [['Kerf', `${sayPlate(forecast.kerfMm, book)}, by the plan`] satisfies Row] : []),
  ];
}

function dadoRows({ forecast, inputs }: DadoOrdered, { deeds }: Told, book: ShopBook): Row[] {
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
    ...(forecast.leftOut.length > 0 && isDone(deeds, 'mark-part')
      ? [['Out of use', `${forecast.leftOut.join(', ')}, marked so: never mount it`] satisfies Row]
      : []),
    ...(stack && isDone(deeds, 'stack')
      ? [['Groove', `${sayPlate(stack.widthMm, book)} with ${stack.parts.join(', ')}`] satisfies Row]
      : []),
  ];
}
