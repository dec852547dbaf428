import type { Filing, Wood } from '../saw/families';
import type { ForetoldCut } from '../testcut/foretold';
import { USUAL_BOARD_MM } from '../testcut/foretold';
import { workOf } from './families';
import { foretellRound } from './families/round-cut';
import { linesOfOrder } from './lines-of-order';
import type { WorkOrder } from './order';
import type { SetLeft } from './tooth-line/cut-saws';
import { viewDepth } from './tooth-line/depth-view';
import { foretellCut } from './tooth-line/foretold-cut';
import { studyLine } from './tooth-line/study';

/** What an order's cut is foretold for. */
export interface OfWhich {
  /** Which edge of a two-edged saw; null or left out for the one its order begins with. */
  readonly edge?: Filing | null;
  /** Set of both sides as it was measured once the work was done, mm. */
  readonly found?: SetLeft['found'];
  readonly wood: Wood;
  readonly boardMm?: number;
}

/**
 * The cut that an order promised, worked out again from what was frozen with it: before, and as its work leaves the
 * saw. Null where it is not foretold: work by hand, new teeth, a set, carbide tips. O(n log n).
 */
export function cutOfOrder(
  order: WorkOrder,
  { edge = null, found, wood, boardMm = USUAL_BOARD_MM }: OfWhich,
): { readonly cut: ForetoldCut; readonly plateMm: number } | null {
  const asked = { wood, boardMm };
  const work = workOf(order.family);
  if (order.round && work.way === 'round') {
    const cut = foretellRound(work.again(order.round), asked, found);
    const { inputs } = order.round;
    return cut && 'saw' in inputs ? { cut, plateMm: inputs.saw.plateThicknessMm } : null;
  }
  const lines = linesOfOrder(order);
  const line = lines.find((one) => one.edge === edge) ?? lines[0];
  if (!line || line.inputs.retooth) return null;
  const depthMm = line.inputs === order.inputs ? (order.choice?.depthMm ?? 0) : (order.beside?.depthMm ?? 0);
  const study = studyLine(line.inputs);
  const set = { ...line.forecast.set, ...(found && { found }) };
  return {
    cut: foretellCut(study, viewDepth(study, depthMm), set, asked),
    plateMm: line.inputs.saw.plateThicknessMm,
  };
}
