import { toothFor, toothHeightMm } from '../../../file/flank-angles';
import { breastedLine, freeBreastedLineForShare, radiusOf } from '../../../line/breasted-line';
import type { LeastDepth } from '../../../line/depth-curve';
import { leastDepth, lowered } from '../../../line/depth-curve';
import type { PreparedLine } from '../../../line/flats';
import { flatsOn, prepareLine, zonedShape } from '../../../line/flats';
import type { JointLine } from '../../../line/joint-line';
import { datumOn, heightOn } from '../../../line/joint-line';
import { smoothestSpacing } from '../../../line/spacing';
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
  readonly line: JointLine;
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
  if (nominal.xMm.length !== record.readings.length)
    throw new RangeError(`There are ${record.readings.length} teeth, but zones for ${nominal.xMm.length}.`);
  const prepared = prepareLine(record.readings, zonedShape(nominal, record.fleamDeg), roles);
  const cutters = standingTeeth(record.readings).filter((r) => roles[r.tooth - 1] === 'cutter');
  const mostMm = MOST_BREAST_SHARE * ((nominal.xMm[nominal.xMm.length - 1] as number) || 1);
  const found =
    record.sagittaMm === undefined
      ? freeBreastedLineForShare(cutters, habits.shareOnLine, 0, mostMm)
      : breastedLine(cutters, record.sagittaMm, habits.shareOnLine);
  const datum = datumOn(cutters, found);
  const pitchMm = Math.min(...nominal.pitchMm);
  const rake = nominal.rakeDeg[0] as number;
  const deepestMm = DEEPEST_SHARE * toothHeightMm(pitchMm, toothFor(rake, record.fleamDeg));
  const least = leastDepth(
    prepared,
    datum,
    { share: habits.shareOnLine, evennessMm: habits.evennessShare * pitchMm },
    deepestMm,
  );
  const chosen = depthMm ?? Math.min(deepestMm, least.byTeethMm);
  if (!(chosen >= 0 && chosen <= deepestMm + 1e-9))
    throw new RangeError(`The joint depth must lie between 0 and ${deepestMm.toFixed(3)} mm.`);
  const line = lowered(datum, chosen);
  const flats = flatsOn(line, prepared);
  const spacing = smoothestSpacing(flats, prepared.nominalMm, prepared.groups);
  const radiusMm = radiusOf(line);
  const ends = jointed(prepared, line, flats.on, spacing.xMm);
  const target = rakerTarget(record.saw, record.wood);
  const set = familySet('crosscut', woodOf(record.wood), 'ordinary', record.plateThicknessMm);
  return {
    line,
    radiusMm,
    depthMm: chosen,
    least,
    reachedShare: flats.reached / prepared.cutters,
    worstSpacingMm: spacing.worstMm,
    cutters: ends.filter((end) => roles[end.tooth - 1] === 'cutter'),
    rakerTarget: target,
    rakers: planRakers(
      rakerDepths(ends, prepared.roles ?? [], (x) => heightOn(line, x)),
      target.depthMm,
      record.strokeRate ?? UNCALIBRATED_STROKES,
      record.rakerTip ?? 'straight',
    ),
    setPerSideMm: set.perSideMm,
    kerfMm: set.kerfMm,
  };
}

/** Every tooth as it stands after jointing and shaping: cutters on the line at their points, the rest as they are. */
function jointed(prepared: PreparedLine, line: JointLine, on: Uint8Array, xMm: Float64Array) {
  return Array.from(prepared.teeth, (tooth, i) => {
    const x = on[i] ? (xMm[i] as number) : (prepared.xMm[i] as number);
    // A raker standing over the line is jointed to it with the cutters.
    const y = on[i] ? heightOn(line, x) : Math.min(prepared.yMm[i] as number, heightOn(line, x));
    return { tooth, xMm: x, yMm: y };
  });
}

const woodOf = (wood: CrosscutRecord['wood']) =>
  ({
    'dry-hard': { moisture: 'dry', timber: 'hard' },
    'dry-soft': { moisture: 'dry', timber: 'soft' },
    green: { moisture: 'green', timber: 'soft' },
  })[wood] as { moisture: 'dry' | 'green'; timber: 'hard' | 'soft' };
