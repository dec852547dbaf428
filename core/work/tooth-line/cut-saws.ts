import { meanAndSpread, sideSet } from '../../evidence/line-statistics';
import type { SetOfSides } from '../../evidence/set-of';
import { overOwnLine } from '../../evidence/over-own-line';
import type { ToothReading } from '../../evidence/tooth-reading';
import { leanOf, standingTeeth } from '../../evidence/tooth-reading';
import type { FiledTooth } from '../../file/flank-angles';
import { ridgeDropMm } from '../../file/flank-angles';
import { heightOn } from '../../line/joint-line';
import { bentLengthMm } from '../../set/set-wear';
import type { ToothSection } from '../../testcut/kerf-section';
import type { CutSaw } from '../../testcut/test-cut';
import type { DepthView } from './depth-view';
import type { LineStudy } from './study';

/** The set an order leaves: that of the table on every tooth, or each tooth's own. */
export interface SetLeft {
  readonly reset: boolean;
  readonly perSideMm: number;
  /** What was measured of it once it was done, mm. */
  readonly found?: { readonly left: number; readonly right: number };
}

/** A line as it was measured, lying on its own teeth, a breasted one on its own arc; its set as far as it was read. */
export function sawNow(study: LineStudy): CutSaw {
  const { inputs } = study;
  const fleamDeg = (inputs.from ?? inputs).angles.fleamDeg;
  return cutSaw(study, {
    tooth: study.tooth,
    fleamDeg,
    heightMm: study.toothHeightMm,
    xMm: study.prepared.xMm,
    overMm: study.cutters
      ? study.prepared.yMm.map((y, i) => y - heightOn(study.datum, study.prepared.xMm[i] as number))
      : overOwnLine(standingTeeth(inputs.readings)),
    given: null,
  });
}

/** The same jointed to a depth, filed, and set as its order says. */
export function sawAt(study: LineStudy, view: DepthView, set: SetLeft): CutSaw {
  return cutSaw(study, {
    tooth: study.newTooth,
    fleamDeg: study.inputs.angles.fleamDeg,
    heightMm: study.toothHeightMm,
    xMm: view.spacing.xMm,
    // Whatever it was jointed to, it lies on its own teeth; a breasted line on its arc.
    overMm: study.cutters
      ? Float64Array.from(view.lineYMm, (y, i) => y - heightOn(view.line, view.spacing.xMm[i] as number))
      : overOwnLine(Array.from(view.lineYMm, (yMm, i) => ({ xMm: view.spacing.xMm[i] as number, yMm }))),
    given: set.found
      ? evenSides(set.found.left, set.found.right)
      : set.reset
        ? evenSides(set.perSideMm, set.perSideMm)
        : null,
  });
}

function cutSaw(
  { inputs, prepared, pitchMm }: LineStudy,
  to: {
    readonly tooth: FiledTooth;
    readonly fleamDeg: number;
    readonly heightMm: number;
    readonly xMm: Float64Array;
    readonly overMm: Float64Array;
    /** Set that every tooth of a side is given; null: as it was read. */
    readonly given: SetOfSides | null;
  },
): CutSaw {
  const { plateThicknessMm, family } = inputs.saw;
  const dropMm = ridgeDropMm(plateThicknessMm, to.fleamDeg, to.tooth);
  const byTooth = new Map(inputs.readings.map((r) => [r.tooth, r]));
  const sides = to.given ?? sidesRead(inputs.readings);
  return {
    line: { xMm: to.xMm, heightMm: to.overMm, pitchMm, cut: family === 'pull' ? 'pull' : 'push' },
    teeth: Array.from(prepared.teeth, (tooth, i): ToothSection => {
      const heightMm = to.overMm[i] as number;
      // A raker is filed straight across and stands in the plate's own plane.
      if (prepared.roles?.[i] === 'raker') return { tooth, heightMm, lean: null, setMm: 0, dropMm: 0 };
      const reading = byTooth.get(tooth) as ToothReading;
      const lean = leanOf(reading);
      return { tooth, heightMm, lean, setMm: (to.given ? null : reading.setMm) ?? sides?.[lean].meanMm ?? 0, dropMm };
    }),
    plateThicknessMm,
    bentMm: bentLengthMm(to.heightMm),
    sides,
    rides: true,
  };
}

/** Both sides as they were read; null where one was not. */
function sidesRead(readings: readonly ToothReading[]): SetOfSides | null {
  const standing = standingTeeth(readings);
  const [left, right] = [sideSet(standing, 'left'), sideSet(standing, 'right')];
  return left.count > 0 && right.count > 0 ? { left, right } : null;
}

/** Every tooth of a side alike, and known to be. */
export const evenSides = (leftMm: number, rightMm: number): SetOfSides => ({
  left: meanAndSpread([leftMm, leftMm]),
  right: meanAndSpread([rightMm, rightMm]),
});
