import { radians } from '../units/radians';

/** What a tooth under the dial was found to be. */
export const DIAL_KINDS = ['scorer', 'raker', 'chipper', 'broken'] as const;

/** A dial reading at one tooth of a circular blade. */
export interface DialReading {
  readonly tooth: number;
  /** Reading relative to a chosen tooth, mm; positive stands out. */
  readonly offMm: number;
  /** Rakers and chippers stand low on purpose and broken teeth by accident: neither is fitted. */
  readonly kind: (typeof DIAL_KINDS)[number];
}

/** Eccentricity and the teeth's own error, told apart. */
export interface DialSplit {
  readonly meanMm: number;
  /** Coefficients of cos and sin of the tooth's angle. mm. */
  readonly cosMm: number;
  readonly sinMm: number;
  /** Eccentricity: how far the teeth's circle is off the centre it turns on. mm. */
  readonly eccentricityMm: number;
  /** Where it stands out most, degrees from tooth 1 in the order of the teeth. */
  readonly towardsDeg: number;
  /** Standard errors of the eccentricity, mm, and of its direction, degrees (null without eccentricity). */
  readonly eccentricityErrorMm: number;
  readonly towardsErrorDeg: number | null;
  /** What is left at each fitted tooth: its own error, mm. */
  readonly own: readonly { readonly tooth: number; readonly offMm: number }[];
  /** Scatter of the teeth's own error, mm. */
  readonly scatterMm: number;
  /** The eccentricity stands clear of its error by more than two of them. */
  readonly certain: boolean;
}

/** Fewer scorers than this leave nothing to judge the fit by. */
const LEAST_SCORERS = 5;
const CERTAIN_ERRORS = 2;

/** Angle of a tooth round the blade, radians. */
export const toothAngle = (tooth: number, teeth: number): number => (2 * Math.PI * (tooth - 1)) / teeth;

/**
 * Least squares of the readings on 1, cos, sin of the tooth's angle (geometry
 * section 8): d = m + a cos t + b sin t. Standard errors from the inverse of the
 * normal equations times the residual variance with n - 3 degrees of freedom
 * (Draper and Smith, Applied Regression Analysis, from memory); that of the
 * amplitude by first-order propagation. mm. O(n). Throws RangeError with fewer
 * than five scorers or with scorers all in one place.
 */
export function splitDial(readings: readonly DialReading[], teeth: number): DialSplit {
  const fitted = readings.filter((r) => r.kind === 'scorer');
  if (fitted.length < LEAST_SCORERS) throw new RangeError(`The split needs ${LEAST_SCORERS} scoring teeth at least.`);
  // Symmetric normal matrix of (1, cos, sin) and its right side.
  const m = [0, 0, 0, 0, 0, 0];
  const right = [0, 0, 0];
  const angle = fitted.map((r) => toothAngle(r.tooth, teeth));
  fitted.forEach((r, i) => {
    const row = [1, Math.cos(angle[i] as number), Math.sin(angle[i] as number)] as const;
    m[0] = (m[0] as number) + 1;
    m[1] = (m[1] as number) + row[1];
    m[2] = (m[2] as number) + row[2];
    m[3] = (m[3] as number) + row[1] * row[1];
    m[4] = (m[4] as number) + row[1] * row[2];
    m[5] = (m[5] as number) + row[2] * row[2];
    for (let k = 0; k < 3; k++) right[k] = (right[k] as number) + (row[k] as number) * r.offMm;
  });
  const inverse = invertSymmetric(m as [number, number, number, number, number, number]);
  const solve = (k: 0 | 1 | 2): number => inverse[k].reduce((sum, v, j) => sum + v * (right[j] as number), 0);
  const [meanMm, cosMm, sinMm] = [solve(0), solve(1), solve(2)];
  const own = fitted.map((r, i) => ({
    tooth: r.tooth,
    offMm: r.offMm - meanMm - cosMm * Math.cos(angle[i] as number) - sinMm * Math.sin(angle[i] as number),
  }));
  const variance = own.reduce((s, o) => s + o.offMm * o.offMm, 0) / (fitted.length - 3);
  const eccentricityMm = Math.hypot(cosMm, sinMm);
  const [c, s] = eccentricityMm === 0 ? [1, 0] : [cosMm / eccentricityMm, sinMm / eccentricityMm];
  const [cc, cs, ss] = [inverse[1][1], inverse[1][2], inverse[2][2]];
  const along = variance * (c * c * cc + 2 * c * s * cs + s * s * ss);
  const across = variance * (s * s * cc - 2 * c * s * cs + c * c * ss);
  const eccentricityErrorMm = Math.sqrt(Math.max(0, along));
  const deg = (Math.atan2(sinMm, cosMm) * 180) / Math.PI;
  return {
    meanMm,
    cosMm,
    sinMm,
    eccentricityMm,
    towardsDeg: (deg + 360) % 360,
    eccentricityErrorMm,
    towardsErrorDeg: eccentricityMm === 0 ? null : (Math.sqrt(Math.max(0, across)) / eccentricityMm) * (180 / Math.PI),
    own,
    scatterMm: Math.sqrt(variance),
    certain: eccentricityMm > CERTAIN_ERRORS * eccentricityErrorMm,
  };
}

/** The same where readings tell a circle; null where they are too few, or all in one place. mm. */
export function circleOf(readings: readonly DialReading[], teeth: number): DialSplit | null {
  try {
    return splitDial(readings, teeth);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** The fitted circle at a tooth: mean and eccentricity. mm. */
export const fittedAt = (split: DialSplit, tooth: number, teeth: number): number => {
  const angle = toothAngle(tooth, teeth);
  return split.meanMm + split.cosMm * Math.cos(angle) + split.sinMm * Math.sin(angle);
};

type Row = readonly [number, number, number];

/** Inverse of a symmetric 3 x 3 given by its upper triangle, by cofactors. RangeError when it has none. */
function invertSymmetric([a, b, c, d, e, f]: readonly [number, number, number, number, number, number]): [
  Row,
  Row,
  Row,
] {
  const [A, B, C] = [d * f - e * e, c * e - b * f, b * e - c * d];
  const determinant = a * A + b * B + c * C;
  if (!(determinant > 1e-9 * a * a * a)) throw new RangeError('The scoring teeth do not go round the blade.');
  const [D, E, F] = [a * f - c * c, b * c - a * e, a * d - b * b];
  const over = (v: number): number => v / determinant;
  return [
    [over(A), over(B), over(C)],
    [over(B), over(D), over(E)],
    [over(C), over(E), over(F)],
  ];
}

/** Eccentricity of the blade and of the arbor, told apart by reading twice. */
export interface BladeAndArbor {
  readonly bladeMm: number;
  /** Towards this tooth angle of the blade, degrees. */
  readonly bladeTowardsDeg: number;
  readonly arborMm: number;
  /** Towards this angle of the arbor, degrees, as the blade stood at the first reading. */
  readonly arborTowardsDeg: number;
}

/**
 * One set of readings cannot tell the blade from the arbor; a second with the
 * blade turned on the arbor by `turnedDeg` can (geometry section 8). As vectors in
 * the blade's own angles, first = blade + arbor, second = blade + arbor turned
 * back by the same angle: two equations. Throws RangeError when the turn is too
 * near a whole one to tell. mm.
 */
export function tellBladeFromArbor(first: DialSplit, second: DialSplit, turnedDeg: number): BladeAndArbor {
  const turn = (turnedDeg * Math.PI) / 180;
  // first - second = arbor (1 - e^{-i turn}), complex division.
  const [re, im] = [1 - Math.cos(turn), Math.sin(turn)];
  const size = re * re + im * im;
  if (size < 0.01) throw new RangeError('Turn the blade further on the arbor: half a turn tells best.');
  const [dx, dy] = [first.cosMm - second.cosMm, first.sinMm - second.sinMm];
  const arbor = [(dx * re + dy * im) / size, (dy * re - dx * im) / size] as const;
  const blade = [first.cosMm - arbor[0], first.sinMm - arbor[1]] as const;
  const towards = ([x, y]: readonly [number, number]): number => ((Math.atan2(y, x) * 180) / Math.PI + 360) % 360;
  return {
    bladeMm: Math.hypot(...blade),
    bladeTowardsDeg: towards(blade),
    arborMm: Math.hypot(...arbor),
    arborTowardsDeg: towards(arbor),
  };
}

/**
 * The readings as the blade alone would give them, the arbor's throw taken out of every
 * tooth, rakers and chippers too:
 *
 *     d_i - arbor cos(t_i - towards)          t_i the tooth's angle round the blade
 *
 * What is left, the blade's own eccentricity and its teeth, is what can be filed away:
 * the arbor stays with the machine. mm. O(n).
 * Example: a true blade on an arbor 0.15 out reads 0.15 cos t, and comes to 0 everywhere.
 */
export function withoutArbor(readings: readonly DialReading[], teeth: number, apart: BladeAndArbor): DialReading[] {
  const towards = radians(apart.arborTowardsDeg);
  return readings.map((r) => ({
    ...r,
    offMm: r.offMm - apart.arborMm * Math.cos(toothAngle(r.tooth, teeth) - towards),
  }));
}
