import type { SideSet } from '../evidence/line-statistics';
import type { DriftEstimate } from '../set/drift';
import { estimateDrift } from '../set/drift';
import { hopMm } from './hop';
import type { KerfSection, ToothSection, WallMark } from './kerf-section';
import { kerfSection, wallMarks } from './kerf-section';
import type { CuttingLine, LoadResult } from './load';
import { scoringLoads, toothLoads } from './load';

/** A saw as the virtual cut takes it. */
export interface CutSaw {
  readonly line: CuttingLine;
  readonly teeth: readonly ToothSection[];
  readonly plateThicknessMm: number;
  readonly bentMm: number;
  /** False where no set was read: neither walls nor drift are known then. */
  readonly setKnown: boolean;
}

/** The wood and the hand. */
export interface CutConditions {
  /** How far the saw sinks a pitch of travel, mm. */
  readonly sinkMm: number;
  readonly boardMm: number;
}

export interface TestCut {
  /** Numbers of the teeth, in the order of their loads. */
  readonly teeth: Int32Array;
  /** Null where not every tooth's height is known. */
  readonly loads: LoadResult | null;
  /** Null of a saw that goes round: it does not lie on its teeth. */
  readonly hopMm: number | null;
  /** Null where the set is not known. */
  readonly section: KerfSection | null;
  readonly marks: readonly WallMark[];
  readonly drift: DriftEstimate | null;
}

const sideOf = (teeth: readonly ToothSection[], side: 'left' | 'right'): SideSet => {
  const sets = teeth.filter((t) => t.lean === side).map((t) => t.setMm);
  const meanMm = sets.length === 0 ? 0 : sets.reduce((s, v) => s + v, 0) / sets.length;
  const squares = sets.reduce((s, v) => s + (v - meanMm) ** 2, 0);
  return { count: sets.length, meanMm, spreadMm: sets.length < 2 ? null : Math.sqrt(squares / (sets.length - 1)) };
};

/**
 * The virtual test cut (geometry section 10): load a tooth and the share
 * working, hop, kerf in section, marks on the wall, drift. Teeth whose ridge falls
 * score two lines of their own, and rakers plane after rakers; chisels follow one another. O(n log n).
 */
export function testCut(saw: CutSaw, conditions: CutConditions): TestCut {
  const { line, teeth } = saw;
  if (teeth.length !== line.xMm.length) throw new RangeError('Every tooth needs its place and its section.');
  const apart = teeth.some((t) => t.dropMm > 0 || t.lean === null);
  const series = Uint8Array.from(teeth, (t) => (t.lean === null ? 2 : t.lean === 'right' ? 1 : 0));
  const loads = apart ? scoringLoads(line, series, conditions.sinkMm) : toothLoads(line, conditions.sinkMm);
  const carried = (side: 0 | 1): number => loads.loadMm.reduce((s, v, i) => (series[i] === side ? s + v : s), 0);
  return {
    teeth: Int32Array.from(teeth, (t) => t.tooth),
    loads,
    hopMm: hopMm(line.xMm, line.heightMm, conditions.boardMm),
    section: saw.setKnown ? kerfSection(teeth, saw.plateThicknessMm, saw.bentMm) : null,
    marks: saw.setKnown ? wallMarks(teeth) : [],
    drift: saw.setKnown ? estimateDrift(sideOf(teeth, 'left'), sideOf(teeth, 'right'), carried(0), carried(1)) : null,
  };
}
