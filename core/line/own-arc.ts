import type { ToothReading } from '../evidence/tooth-reading';
import { MOST_BREAST_SHARE } from '../saw/breast';
import type { ToothRole } from '../saw/tooth-pattern';
import { freeBreastedLine } from './breasted-line';
import type { JointLine, Tip } from './joint-line';
import { heightOn } from './joint-line';

/** The arc, or straight line, that every one of these tips reaches and that loses least; null of fewer than three. mm. O(n) a step. */
export function arcUnder(tips: readonly Tip[]): JointLine | null {
  const [first, last] = [tips[0], tips.at(-1)];
  if (!first || !last || tips.length < 3) return null;
  return freeBreastedLine(tips, 0, MOST_BREAST_SHARE * (last.xMm - first.xMm));
}

/** Heights of a line's cutters over the arc they all reach, rakers left out as NaN. One value a standing tooth, mm. */
export function overOwnArc(standing: readonly ToothReading[], roles: readonly ToothRole[]): Float64Array {
  const cutter = (r: ToothReading): boolean => roles[r.tooth - 1] !== 'raker';
  const line = arcUnder(standing.filter(cutter));
  return Float64Array.from(standing, (r) => (line && cutter(r) ? r.yMm - heightOn(line, r.xMm) : NaN));
}
