import type { SetOfSides } from '../evidence/set-of';
import type { DriftEstimate } from '../set/drift';
import { estimateDrift } from '../set/drift';
import { hopMm } from './hop';
import type { KerfMakers, KerfSection, ToothSection, WallMark } from './kerf-section';
import { kerfMakers, kerfSection, wallMarks } from './kerf-section';
import type { CuttingLine, LoadResult } from './load';
import { scoringLoads, toothLoads } from './load';

/** A saw as the virtual cut takes it. */
export interface CutSaw {
  /** Null where not every tooth's height is known. */
  readonly line: CuttingLine | null;
  readonly teeth: readonly ToothSection[];
  readonly plateThicknessMm: number;
  readonly bentMm: number;
  /** Set of both sides as far as it was read; null where it was not: neither walls nor drift are known then. */
  readonly sides: SetOfSides | null;
  /** It lies on its teeth in a board, which a saw that goes round does not. */
  readonly rides: boolean;
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
  /** Teeth that make its walls and its deepest place; null where the set is not known. */
  readonly makers: KerfMakers | null;
  readonly drift: DriftEstimate | null;
}

/**
 * The virtual test cut (geometry section 10): load a tooth and the share
 * working, hop, kerf in section, marks on the wall, drift. Teeth whose ridge falls
 * score two lines of their own, and rakers plane after rakers; chisels follow one another. O(n log n).
 */
export function testCut(saw: CutSaw, conditions: CutConditions): TestCut {
  const { line, teeth, sides } = saw;
  if (line && teeth.length !== line.xMm.length) throw new RangeError('Every tooth needs its place and its section.');
  const series = Uint8Array.from(teeth, (t) => (t.lean === null ? 2 : t.lean === 'right' ? 1 : 0));
  const apart = teeth.some((t) => t.dropMm > 0 || t.lean === null);
  const loads = line && (apart ? scoringLoads(line, series, conditions.sinkMm) : toothLoads(line, conditions.sinkMm));
  const carried = (side: 0 | 1): number => loads?.loadMm.reduce((s, v, i) => (series[i] === side ? s + v : s), 0) ?? 0;
  return {
    teeth: Int32Array.from(teeth, (t) => t.tooth),
    loads,
    hopMm: line && saw.rides ? hopMm(line.xMm, line.heightMm, conditions.boardMm) : null,
    section: sides && kerfSection(teeth, saw.plateThicknessMm, saw.bentMm),
    marks: sides ? wallMarks(teeth) : [],
    makers: sides && kerfMakers(teeth),
    drift: sides && estimateDrift(sides.left, sides.right, carried(0), carried(1)),
  };
}
