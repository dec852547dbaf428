import { toothFor, toothHeightMm } from '../../../file/flank-angles';
import type { BreastedLine } from '../../../line/breasted-line';
import { breastedLine, freeBreastedLineForShare, heightOnBreasted, radiusOf } from '../../../line/breasted-line';
import type { LeastDepth } from '../../../line/depth-curve';
import type { MixedLine } from '../../../line/mixed-line';
import { leastMixedDepth, loweredBreasted, mixedDatum, mixedPoint, prepareMixed } from '../../../line/mixed-line';
import { UNCALIBRATED_STROKES } from '../../../line/strokes';
import { rakerDepths } from '../../../raker/raker-depth';
import type { RakerPlan } from '../../../raker/raker-plan';
import { planRakers } from '../../../raker/raker-plan';
import type { RakerTarget } from '../../../raker/raker-target';
import { rakerTarget } from '../../../raker/raker-target';
import { familySet } from '../../../set/family-set';
import { parsePattern, rolesAlong } from '../../../saw/tooth-pattern';
import { standingTeeth } from '../../../evidence/tooth-reading';
import { nominalLine } from '../../../saw/zones';
import { DEFAULT_HABITS } from '../../habits';
import type { CrosscutRecord } from '../../saw-record';

/** A crosscut saw's plan: joint line, cutters, rakers, set. */
export interface CrosscutPlan {
  readonly line: BreastedLine;
  readonly radiusMm: number | null;
  readonly depthMm: number;
  readonly least: LeastDepth;
  readonly reachedShare: number;
  readonly worstSpacingMm: number;
  readonly cutters: readonly { readonly tooth: number; readonly xMm: number; readonly yMm: number }[];
  readonly rakerTarget: RakerTarget;
  readonly rakers: RakerPlan;
  readonly setPerSideMm: number;
  readonly kerfMm: number;
}

/** The free breast is looked for up to this share of the line's length. No source. */
const MOST_BREAST_SHARE = 0.01;
/** Jointing past this share of a cutter is re-toothing. */
const DEEPEST_SHARE = 0.6;

/**
 * Plan for a saw of cutters and rakers: breasted joint line through the cutters,
 * least depth for the shop's share and evenness, cutters' points, and the rakers
 * measured against the cutters as they will then stand. `depthMm` overrides the
 * advised depth. mm. Throws RangeError on a pattern or zones that do not fit the line.
 */
export function studyCrosscut(record: CrosscutRecord, depthMm?: number): CrosscutPlan {
  const pattern = parsePattern(record.pattern);
  if (!pattern.ok) throw new RangeError(`"${record.pattern}" is no tooth pattern: write C and R, such as CCR.`);
  const habits = { ...DEFAULT_HABITS, ...record.habits };
  const nominal = nominalLine(record.zones);
  const roles = rolesAlong(pattern.roles, record.readings.length, record.patternOffset ?? 0);
  const mixed = prepareMixed(record.readings, nominal, roles, record.fleamDeg);
  const cutters = standingTeeth(record.readings).filter((_, i) => mixed.roles[i] === 'cutter');
  const mostMm = MOST_BREAST_SHARE * ((nominal.xMm[nominal.xMm.length - 1] as number) || 1);
  const found =
    record.sagittaMm === undefined
      ? freeBreastedLineForShare(cutters, habits.shareOnLine, 0, mostMm)
      : breastedLine(cutters, record.sagittaMm, habits.shareOnLine);
  const datum = mixedDatum(mixed, found);
  const pitchMm = Math.min(...nominal.pitchMm);
  const rake = nominal.rakeDeg[0] as number;
  const deepestMm = DEEPEST_SHARE * toothHeightMm(pitchMm, toothFor(rake, record.fleamDeg));
  const least = leastMixedDepth(
    mixed,
    datum,
    { share: habits.shareOnLine, evennessMm: habits.evennessShare * pitchMm },
    deepestMm,
  );
  const chosen = depthMm ?? Math.min(deepestMm, least.byTeethMm);
  if (!(chosen >= 0 && chosen <= deepestMm + 1e-9))
    throw new RangeError(`The joint depth must lie between 0 and ${deepestMm.toFixed(3)} mm.`);
  const line = loweredBreasted(datum, chosen);
  const point = mixedPoint(mixed, datum, chosen);
  const radiusMm = radiusOf(line);
  const ends = jointed(mixed, line, point.flats.on, point.spacing.xMm);
  const target = rakerTarget(record.saw, record.wood);
  const set = familySet('crosscut', woodOf(record.wood), 'ordinary', record.plateThicknessMm);
  return {
    line,
    radiusMm,
    depthMm: chosen,
    least,
    reachedShare: point.reachedShare,
    worstSpacingMm: point.spacing.worstMm,
    cutters: ends.filter((_, i) => mixed.roles[i] === 'cutter'),
    rakerTarget: target,
    rakers: planRakers(
      rakerDepths(ends, mixed.roles, (x) => heightOnBreasted(line, x)),
      target.depthMm,
      record.strokeRate ?? UNCALIBRATED_STROKES,
      record.rakerTip ?? 'straight',
    ),
    setPerSideMm: set.perSideMm,
    kerfMm: set.kerfMm,
  };
}

/** Every tooth as it stands after jointing and shaping: cutters on the line at their points, the rest as they are. */
function jointed(mixed: MixedLine, line: BreastedLine, on: Uint8Array, xMm: Float64Array) {
  return Array.from(mixed.teeth, (tooth, i) => {
    const x = on[i] ? (xMm[i] as number) : (mixed.xMm[i] as number);
    // A raker standing over the line is jointed to it with the cutters.
    const y = on[i] ? heightOnBreasted(line, x) : Math.min(mixed.yMm[i] as number, heightOnBreasted(line, x));
    return { tooth, xMm: x, yMm: y };
  });
}

const woodOf = (wood: CrosscutRecord['wood']) =>
  ({
    'dry-hard': { moisture: 'dry', timber: 'hard' },
    'dry-soft': { moisture: 'dry', timber: 'soft' },
    green: { moisture: 'green', timber: 'soft' },
  })[wood] as { moisture: 'dry' | 'green'; timber: 'hard' | 'soft' };
