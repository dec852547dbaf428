import type { LifeCost } from '../../life/life';
import { lifeCost } from '../../life/life';
import { lowered } from '../../line/depth-curve';
import type { Flats } from '../../line/flats';
import { flatsOn } from '../../line/flats';
import type { JointLine } from '../../line/joint-line';
import { heightOn } from '../../line/joint-line';
import type { GulletFiling } from '../../line/metal';
import { gulletFilings, metalAreaMm2 } from '../../line/metal';
import type { Spacing } from '../../line/spacing';
import { smoothestSpacing } from '../../line/spacing';
import { strokesFor } from '../../line/strokes';
import type { LineStudy } from './study';
import { jointMinutes, shapeMinutes } from '../times';

/** Everything that moves under the hand while the joint line is pulled down. */
export interface DepthView {
  readonly depthMm: number;
  readonly line: JointLine;
  readonly flats: Flats;
  readonly spacing: Spacing;
  readonly lineYMm: Float64Array;
  readonly filings: readonly GulletFiling[];
  readonly strokes: Int32Array;
  readonly strokesTotal: number;
  /** Furthest any gullet still is from its place after those strokes, at the expected rate, mm. */
  readonly worstLeftMm: number;
  readonly reachedShare: number;
  /** Steel off the whole saw, mm^3. */
  readonly metalMm3: number;
  readonly life: LifeCost;
  /** Jointing and shaping at this depth, minutes. */
  readonly minutes: number;
}

/** One depth, whole. O(n): meant to run inside a frame at 400 teeth. */
export function viewDepth(study: LineStudy, depthMm: number): DepthView {
  const { prepared, inputs } = study;
  const line = lowered(study.datum, depthMm);
  const flats = flatsOn(line, prepared);
  const spacing = smoothestSpacing(flats, prepared.nominalMm);
  const lineYMm = spacing.xMm.map((x, i) => (flats.on[i] ? heightOn(line, x) : (prepared.yMm[i] as number)));
  const filings = gulletFilings(prepared, spacing.xMm, flats.on, lineYMm);
  const strokes = new Int32Array(filings.length);
  let strokesTotal = 0;
  let worstLeftMm = 0;
  filings.forEach((filing, i) => {
    const order = strokesFor(filing.dropMm, inputs.strokeRate);
    strokes[i] = order.strokes;
    strokesTotal += order.strokes;
    worstLeftMm = Math.max(worstLeftMm, order.leftMm);
  });
  const area = metalAreaMm2(prepared, filings, flats.on, lineYMm, study.toothHeightMm);
  return {
    depthMm,
    line,
    flats,
    spacing,
    lineYMm,
    filings,
    strokes,
    strokesTotal,
    worstLeftMm,
    reachedShare: flats.reached / prepared.teeth.length,
    metalMm3: area * inputs.saw.plateThicknessMm,
    life: lifeCost(depthMm, inputs.saw.plateDepthMm, inputs.saw.family),
    minutes: depthMm > 0 ? jointMinutes(depthMm) + shapeMinutes(strokesTotal, filings.length) : 0,
  };
}
