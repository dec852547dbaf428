import type { LifeCost } from '../../life/life';
import { leastPlateMm, lifeCost } from '../../life/life';
import { lowered } from '../../line/depth-curve';
import type { Flats } from '../../line/flats';
import { flatsOn } from '../../line/flats';
import type { JointLine } from '../../line/joint-line';
import { heightOn } from '../../line/joint-line';
import type { FlankFiling } from '../../line/metal';
import { gulletFilings, levelFilings, metalAreaMm2, pointFilings } from '../../line/metal';
import { rakerDepths } from '../../raker/raker-depth';
import type { RakerPlan } from '../../raker/raker-plan';
import { planRakers } from '../../raker/raker-plan';
import type { Spacing } from '../../line/spacing';
import { smoothestSpacing, spacingErrors } from '../../line/spacing';
import { strokesFor } from '../../line/strokes';
import { SHARPENING_MM } from '../../life/sharpening-metal';
import type { LineStudy } from './study';
import { jointMinutes, shapeMinutes } from '../times';

/** Everything that moves under the hand while the joint line is pulled down. */
export interface DepthView {
  readonly depthMm: number;
  readonly line: JointLine;
  readonly flats: Flats;
  readonly spacing: Spacing;
  readonly lineYMm: Float64Array;
  /** One a gullet, or one a cutter where these are pointed one by one. */
  readonly filings: readonly FlankFiling[];
  readonly strokes: Int32Array;
  readonly strokesTotal: number;
  /** Furthest any gullet still is from its place after those strokes, at the expected rate, mm. */
  readonly worstLeftMm: number;
  readonly reachedShare: number;
  /** Rakers against their cutters as these will then stand; null on a line without. */
  readonly rakers: RakersView | null;
  /** Steel off the whole saw, mm^3. */
  readonly metalMm3: number;
  readonly life: LifeCost;
  /** Jointing and shaping at this depth, minutes. */
  readonly minutes: number;
}

export interface RakersView {
  readonly plan: RakerPlan;
  /** Depth under its cutters before it is filed, by the raker's index among standing teeth, mm. */
  readonly depthMm: ReadonlyMap<number, number>;
}

/** One depth, whole. O(n): meant to run inside a frame at 400 teeth. */
export function viewDepth(study: LineStudy, depthMm: number): DepthView {
  const { prepared, inputs } = study;
  const line = lowered(study.datum, depthMm);
  const flats = flatsOn(line, prepared);
  // A pull saw's points stay where they stand.
  const spacing = study.pull
    ? { xMm: prepared.xMm, ...spacingErrors(prepared.xMm, prepared.nominalMm) }
    : smoothestSpacing(flats, prepared.nominalMm, prepared.groups);
  const lineYMm = spacing.xMm.map((x, i) => {
    const now = prepared.yMm[i] as number;
    if (flats.on[i]) return heightOn(line, x);
    // A raker over the line is jointed with its cutters.
    return prepared.roles?.[i] === 'raker' ? Math.min(now, heightOn(line, x)) : now;
  });
  const { cutters } = study;
  const filings = (study.pull ? levelFilings : cutters ? pointFilings : gulletFilings)(
    prepared,
    spacing.xMm,
    flats.on,
    lineYMm,
  );
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
    reachedShare: prepared.cutters === 0 ? 0 : flats.reached / prepared.cutters,
    rakers: rakersView(study, line, spacing.xMm, lineYMm, depthMm),
    metalMm3: area * inputs.saw.plateThicknessMm,
    life: lifeCost(depthMm, inputs.saw.plateDepthMm, leastPlateMm(inputs.saw.family, inputs.cutters?.kind)),
    minutes: depthMm > 0 ? jointMinutes(depthMm) + shapeMinutes(strokesTotal, filings.length) : 0,
  };
}

/**
 * Rakers as the cutters will stand, and what each must still lose. Where nothing is jointed the
 * cutters' own sharpening brings them down and the rakers with them. mm. O(n).
 */
function rakersView(
  { cutters, prepared, inputs }: LineStudy,
  line: JointLine,
  xMm: Float64Array,
  yMm: Float64Array,
  depthMm: number,
): RakersView | null {
  if (!cutters || cutters.rakers.length === 0 || !prepared.roles) return null;
  const sharpenMm = depthMm > 0 ? 0 : SHARPENING_MM;
  const tips = Array.from(prepared.teeth, (tooth, i) => ({
    tooth,
    xMm: xMm[i] as number,
    yMm: (yMm[i] as number) - (prepared.roles?.[i] === 'cutter' ? sharpenMm : 0),
  }));
  const depths = rakerDepths(tips, prepared.roles, (x) => heightOn(line, x));
  return {
    plan: planRakers(depths, cutters.target.depthMm, inputs.strokeRate, inputs.cutters?.tip),
    depthMm: new Map(depths.map((d) => [d.index, d.depthMm])),
  };
}
