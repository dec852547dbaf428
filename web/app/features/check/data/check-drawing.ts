import type { Dossier } from '@odontis/contract/dossier';
import { lineOf } from '@odontis/core/evidence/line-of';
import type { Evidence } from '@odontis/core/evidence/session';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { isGauged } from '@odontis/core/saw/edges';
import type { Filing } from '@odontis/core/saw/families';
import { linesOfOrder } from '@odontis/core/work/lines-of-order';
import { isLineOrder } from '@odontis/core/work/order';
import { baseDrawing, heightLane, measuredLanes, setLane, spacingLane } from '../../../sawpage/build-drawing';
import type { SawDrawing } from '../../../sawpage/drawing';
import { roundDrawing } from '../../../sawpage/round-drawing';
import { lineAfter } from '../../../shared/evidence/line-after';

/** What is measured after the work, as far as it is. */
export interface MeasuredAfter {
  readonly evidence: Evidence;
  /** The edge and the part that are looked at; null where there is one. */
  readonly edge: Filing | null;
  readonly part: string | null;
  /** Like teeth, keyed one after the other; where each stands, mm, where that is not by the pitch. */
  readonly keyed: readonly ToothReading[];
  readonly places: ((tooth: number) => number) | undefined;
  /** A spacing off by more than this share of the pitch stands out. */
  readonly evennessShare: number;
}

/** The saw as it was and as it is measured now, on the same lanes; null before it has an order. */
export function checkDrawing(dossier: Dossier, after: MeasuredAfter, say: (mm: number) => string): SawDrawing | null {
  const { evidence, edge, keyed } = after;
  const round = roundDrawing({ ...dossier, sessions: evidence }, say, 'after', after.part);
  if (round) return round;
  const order = dossier.plan?.order;
  if (!order || !isLineOrder(order)) return null;
  const { inputs, forecast } = order;
  if (isGauged(dossier.saw)) {
    const own = linesOfOrder(order).find((one) => one.edge === edge) ?? order;
    const came = own.inputs.readings;
    const line = lineOf(evidence, dossier.saw, 'after', edge);
    const shown = (line && line.heightsRead > 2 ? line.teeth : lineAfter(dossier, edge)) ?? came;
    return {
      ...baseDrawing(dossier, shown, own.forecast.tooth.filed, edge),
      lanes: measuredLanes(dossier.saw, shown, { say, wood: inputs.saw.wood, before: came }),
    };
  }
  const before = inputs.readings;
  const pitchMm = forecast.tooth.pitchMm;
  return {
    ...baseDrawing(dossier, keyed.length > 0 ? keyed : before, forecast.tooth.filed),
    lanes: [
      heightLane(keyed, say, before),
      spacingLane(keyed, pitchMm, after.evennessShare * pitchMm, say, before, after.places),
      setLane(keyed, say, before),
    ],
  };
}
