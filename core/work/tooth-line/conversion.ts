import { strokesFor } from '../../line/strokes';
import type { Stop } from '../step';
import type { DepthView } from './depth-view';
import type { LineStudy } from './study';

/**
 * How much further than the joint each gullet's file must travel to give the tooth its new
 * flanks, mm of drop: the gullets' own deepening, or the tips' coming down where the new tooth
 * is the lower. See `conversionLossMm` for both.
 */
export const reshapeDropMm = (study: LineStudy): number =>
  study.conversion ? Math.max(study.conversion.gulletsDeeperMm, study.conversion.lossMm) : 0;

/** Strokes in every gullet for another filing: what levels it and what reshapes it. O(n). */
export function reshapeStops(study: LineStudy, view: DepthView): Stop[] {
  const more = reshapeDropMm(study);
  const face = (study.conversion?.lossMm ?? 0) > 0 && study.newTooth.tanFace > study.tooth.tanFace;
  return view.filings.flatMap((filing) => {
    const { strokes } = strokesFor(filing.dropMm + more, study.inputs.strokeRate);
    return strokes === 0 ? [] : [{ at: filing.at, strokes, heavier: face ? ('face' as const) : ('back' as const) }];
  });
}
