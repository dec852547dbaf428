import type { Cut } from '../saw/families';
import { cornerDeg } from '../file/file-section';
import type { SlopedTooth } from '../file/slope-planes';
import { slopedTooth } from '../file/slope-planes';
import type { Estimate } from '../evidence/estimate';
import type { AngleFinding, SeatedFile } from '../evidence/angle-finding';
import { ANGLE_ERROR_DEG } from '../evidence/angle-finding';

/** What one reading says of its gullet, with one standard error each; null where it says nothing. Degrees. */
export interface GulletAngles {
  readonly rakeDeg: Estimate | null;
  /** Of the next tooth's back, off upright in side view. */
  readonly backDeg: Estimate | null;
  /** Turn of the face in plan, signed. */
  readonly faceTurnDeg: Estimate | null;
  /** Turn of the next tooth's back in plan, signed; the face's own where no slope is known. */
  readonly backTurnDeg: Estimate | null;
  readonly slopeDeg: Estimate | null;
}

const NOTHING: GulletAngles = { rakeDeg: null, backDeg: null, faceTurnDeg: null, backTurnDeg: null, slopeDeg: null };
const told = (value: number | null, error: number): Estimate | null => (value === null ? null : { value, error });

/** One reading into the angles of its gullet. Throws RangeError for a seated file that leaves no tooth. */
export function gulletAngles(finding: AngleFinding, cuts: Cut): GulletAngles {
  switch (finding.way) {
    case 'file':
      return seated(finding, cuts);
    case 'bevel': {
      const turn = told(finding.turnDeg, ANGLE_ERROR_DEG.bevel);
      const rakeDeg = told(finding.rakeDeg, ANGLE_ERROR_DEG.bevel);
      const backDeg = told(finding.backDeg, ANGLE_ERROR_DEG.bevel);
      return { rakeDeg, backDeg, faceTurnDeg: turn, backTurnDeg: turn, slopeDeg: null };
    }
    case 'scan': {
      const turn = told(finding.turnDeg ?? null, ANGLE_ERROR_DEG.strip);
      return {
        ...NOTHING,
        faceTurnDeg: turn,
        backTurnDeg: turn,
        rakeDeg: told(finding.rakeDeg, ANGLE_ERROR_DEG.scan),
        backDeg: told(finding.backDeg, ANGLE_ERROR_DEG.scan),
      };
    }
    case 'eye':
      return NOTHING;
  }
}

/** Step of the differences that carry the errors through, degrees: small against any error, large against rounding. */
const STEP_DEG = 0.01;

/**
 * A seated file's own gullet, out of its planes (geometry section 2). Errors of roll,
 * turn and dip are carried through by central differences, in quadrature. A dip is
 * never below level, so it is stepped upwards only.
 */
function seated(file: SeatedFile, cuts: Cut): GulletAngles {
  const at = (change: Partial<SeatedFile> = {}): readonly number[] => anglesLeft({ ...file, ...change }, cuts);
  const values = at();
  const slope = (key: 'rollDeg' | 'turnDeg' | 'slopeDeg'): readonly number[] => {
    const low = key === 'slopeDeg' && file.slopeDeg < STEP_DEG ? 0 : STEP_DEG;
    const [up, down] = [at({ [key]: file[key] + STEP_DEG }), at({ [key]: file[key] - low })];
    return up.map((u, i) => (u - (down[i] as number)) / (STEP_DEG + low));
  };
  const [byRoll, byTurn, bySlope] = [slope('rollDeg'), slope('turnDeg'), slope('slopeDeg')];
  const [rakeDeg, backDeg, faceTurnDeg, backTurnDeg] = values.map((value, i) => ({
    value,
    error: Math.hypot(
      (byRoll[i] as number) * ANGLE_ERROR_DEG.roll,
      (byTurn[i] as number) * ANGLE_ERROR_DEG.turn,
      (bySlope[i] as number) * ANGLE_ERROR_DEG.slope,
    ),
  })) as [Estimate, Estimate, Estimate, Estimate];
  return {
    rakeDeg,
    backDeg,
    faceTurnDeg,
    backTurnDeg,
    slopeDeg: { value: file.slopeDeg, error: ANGLE_ERROR_DEG.slope },
  };
}

/**
 * Rake, back, and the two plan turns. {@link slopedTooth} knows fleam without a sign, the handle
 * on the left where the tip points to the toe; the other half of all holds is its mirror
 * image in z. A pull saw's x runs the other way, and with it every turn's sign.
 */
function anglesLeft(file: SeatedFile, cuts: Cut): readonly number[] {
  const mirror = cuts === 'pull' ? -1 : 1;
  const turn = mirror * file.turnDeg;
  const side = turn < 0 ? -1 : 1;
  const tip = (file.from === 'left') === side > 0 ? 1 : -1;
  const left: SlopedTooth = slopedTooth({
    rollDeg: file.rollDeg,
    fleamDeg: Math.abs(turn),
    slopeDeg: file.slopeDeg,
    sectionDeg: cornerDeg(file.section),
    tip,
  });
  const plan = mirror * side;
  return [-left.faceDeg, left.backDeg, plan * left.planFleamFaceDeg, plan * left.planFleamBackDeg];
}

/** Where a file's tip points when it is turned so, from that side; null where it lies square across. */
export function tipTowards(turnDeg: number, from: 'left' | 'right'): 'toe' | 'heel' | null {
  if (turnDeg === 0) return null;
  return turnDeg > 0 === (from === 'left') ? 'toe' : 'heel';
}

/** The signed turn of a file held from a side with its tip to the toe or the heel: the way back of {@link tipTowards}. */
export const turnOf = (fleamDeg: number, from: 'left' | 'right', tip: 'toe' | 'heel'): number =>
  fleamDeg === 0 ? 0 : (from === 'left') === (tip === 'toe') ? fleamDeg : -fleamDeg;
