import type { Cut } from '../saw/families';
import { cornerDeg } from '../file/file-section';
import { median } from '../units/median';
import type { AngleFinding } from '../evidence/angle-finding';
import type { AngleReading } from '../evidence/reading';
import { standing } from '../evidence/estimates';
import type { GulletAngles } from './gullet-angles';
import { gulletAngles } from './gullet-angles';

/** How an angle was said one way and taken another: to the plate for off square, a lean back without its sign. */
export type AngleSlip = 'to-plate' | 'sign';

/** An angle that is asked about before it counts. Degrees. */
export interface AngleDoubt {
  readonly code: 'out-of-range' | 'wild' | 'no-tooth';
  readonly angle: 'rake' | 'back' | 'fleam' | 'slope' | 'roll';
  readonly valueDeg: number;
  readonly leastDeg: number;
  readonly mostDeg: number;
  /** What the others are; null where the range alone decides. */
  readonly usualDeg: number | null;
  readonly meant: { readonly deg: number; readonly slip: AngleSlip } | null;
}

/** What these can be on any saw that a file or a wheel left; degrees. Common practice, no source. */
export const ANGLE_RANGE_DEG = {
  rake: [-59, 40],
  back: [0, 85],
  fleam: [0, 60],
  slope: [0, 30],
  roll: [-40, 85],
} as const satisfies Record<AngleDoubt['angle'], readonly [number, number]>;

/** Teeth of one saw differ by less than this of their scatter, and are never called wild within so many degrees. */
const WILD_SPREADS = 6;
const LEAST_SPREAD_DEG = 1;
const FEWEST_KNOWN = 3;

/**
 * Whether a reading of angles is asked about: out of what can be, unlike the other teeth
 * (median and median deviation), or a file that leaves no tooth. An angle to the plate
 * taken for one off square, and a lean back without its sign, are recognised. Null
 * where it just counts. Degrees.
 */
export function doubtAngle(finding: AngleFinding, known: readonly AngleReading[], cuts: Cut): AngleDoubt | null {
  if (finding.way === 'eye' || finding.way === 'scan') return null;
  for (const [angle, value] of toldAngles(finding)) {
    const [least, most] = ANGLE_RANGE_DEG[angle];
    if (value < least || value > most) return doubt('out-of-range', angle, value, null);
  }
  if (finding.way === 'file' && !leavesTooth(finding)) return doubt('no-tooth', 'roll', finding.rollDeg, null);
  const others = standing(known).filter((r) => r.value.way !== 'eye');
  for (const [angle, value] of judged(gulletAngles(finding, cuts))) {
    const usual = others.flatMap((r) =>
      judged(gulletAngles(r.value, cuts))
        .filter(([a]) => a === angle)
        .map(([, v]) => v),
    );
    if (usual.length < FEWEST_KNOWN) continue;
    const at = median(usual);
    const spread = Math.max(LEAST_SPREAD_DEG, 1.4826 * median(usual.map((v) => Math.abs(v - at))));
    if (Math.abs(value - at) > WILD_SPREADS * spread) return doubt('wild', angle, value, at);
  }
  return null;
}

/** Whether a seated file leaves a tooth at all: both flanks below level, and meeting. */
export function leavesTooth(finding: AngleFinding & { readonly way: 'file' }): boolean {
  if (Math.abs(finding.rollDeg) >= 90 || Math.abs(cornerDeg(finding.section) - finding.rollDeg) >= 90) return false;
  try {
    gulletAngles(finding, 'push');
    return true;
  } catch {
    return false;
  }
}

type Told = [AngleDoubt['angle'], number];
/** The numbers that were read, as they were read. */
function toldAngles(finding: AngleFinding & { readonly way: 'file' | 'bevel' }): Told[] {
  const told: [AngleDoubt['angle'], number | null][] =
    finding.way === 'file'
      ? [
          ['roll', finding.rollDeg],
          ['fleam', Math.abs(finding.turnDeg)],
          ['slope', finding.slopeDeg],
        ]
      : [
          ['rake', finding.rakeDeg],
          ['back', finding.backDeg],
          ['fleam', finding.turnDeg === null ? null : Math.abs(finding.turnDeg)],
        ];
  return told.filter((one): one is Told => one[1] !== null);
}

/** The angles that a saw's teeth share, whatever way they were got. */
const judged = (g: GulletAngles): Told[] => {
  const all: Told[] = [];
  if (g.rakeDeg) all.push(['rake', g.rakeDeg.value]);
  if (g.faceTurnDeg) all.push(['fleam', Math.abs(g.faceTurnDeg.value)]);
  return all;
};

function doubt(
  code: AngleDoubt['code'],
  angle: AngleDoubt['angle'],
  valueDeg: number,
  usualDeg: number | null,
): AngleDoubt {
  const [leastDeg, mostDeg] = ANGLE_RANGE_DEG[angle];
  return { code, angle, valueDeg, leastDeg, mostDeg, usualDeg, meant: meantOf(angle, valueDeg, usualDeg) };
}

/** The other way of saying it, where that makes sense of the figure. */
function meantOf(angle: AngleDoubt['angle'], valueDeg: number, usualDeg: number | null): AngleDoubt['meant'] {
  const [least, most] = ANGLE_RANGE_DEG[angle];
  const near = (deg: number): boolean =>
    deg >= least && deg <= most && (usualDeg === null || Math.abs(deg - usualDeg) <= WILD_SPREADS * LEAST_SPREAD_DEG);
  if (angle === 'fleam' && near(90 - valueDeg)) return { deg: 90 - valueDeg, slip: 'to-plate' };
  if (angle === 'rake' && valueDeg !== 0 && near(-valueDeg)) return { deg: -valueDeg, slip: 'sign' };
  return null;
}
