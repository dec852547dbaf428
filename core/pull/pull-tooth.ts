import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
import type { FiledTooth } from '../file/flank-angles';
import { tanDeg } from '../units/radians';

/**
 * A pull saw's tooth in side view, 0 at its gullets, the mirror image of a push
 * saw's: an upright or leaning face, a steep back, and a small bevel across the top.
 *
 *          tip
 *         /|         <- top bevel, falling from the tip to the back
 *        / |
 *       /  |  face
 *      / back
 */
export interface PullTooth {
  /** Face and back off upright, degrees; the top bevel off level, falling towards the back. */
  readonly faceDeg: number;
  readonly backDeg: number;
  readonly topDeg: number;
  readonly pitchMm: number;
  /** Height of the tip over the gullet when last fully filed, mm. */
  readonly heightMm: number;
}

export interface TopOnly {
  readonly tipHeightMm: number;
  /** Length of the top bevel along itself, mm. */
  readonly bevelMm: number;
  /** Height over the gullet as a share of the fully filed tooth's. */
  readonly heightShare: number;
}

/** What full filing leaves of the top bevel: this share of the pitch. No source. */
export const FRESH_BEVEL_SHARE = 0.15;

/**
 * The tooth after so much was filed off its top alone: the tip comes down the
 * face, the bevel grows along its own angle. With the bevel plane d lower
 * (square to itself), the tip falls by d / (cos e + tan A sin e), e the bevel's
 * and A the face's angle; the bevel's length grows by d (tan(90 - B - e) + tan(e + A))
 * until it spans the tooth. mm. By plane geometry of two lines cut by a third.
 */
export function afterTopOnly(tooth: PullTooth, filedMm: number): TopOnly {
  if (!(filedMm >= 0)) throw new RangeError('Filing never adds metal.');
  const [tanA, tanB, tanE] = [tanDeg(tooth.faceDeg), tanDeg(tooth.backDeg), tanDeg(tooth.topDeg)];
  const e = Math.atan(tanE);
  // Along the face the height lost: the bevel line y = tip - s tan e meets the face s = (tip - y) tan A.
  const tipHeightMm = tooth.heightMm - filedMm / (Math.cos(e) + tanA * Math.sin(e));
  // The bevel ends where it meets the back: at heights below the tip its run is r, back runs r0 + y tan B.
  const fresh = FRESH_BEVEL_SHARE * tooth.pitchMm;
  const fall = tooth.heightMm - tipHeightMm;
  const run = fresh * Math.cos(e) + (fall * (tanA + tanB)) / (1 - tanE * tanB);
  return { tipHeightMm, bevelMm: run / Math.cos(e), heightShare: tipHeightMm / tooth.heightMm };
}

/**
 * A pull saw's two flanks as the line's arithmetic takes them: it cuts the other way, so that its
 * face stands on a tooth's heel side and its back on the toe side. Both in side view, whatever the fleam.
 */
export function pullTooth(rakeDeg: number, backDeg: number): FiledTooth {
  const [tanFace, tanBack] = [tanDeg(backDeg), tanDeg(-rakeDeg)];
  const spread = tanFace + tanBack;
  if (!(spread > 0)) throw new RangeError('Face and back never meet: no tooth has a point.');
  return { faceDeg: backDeg, backDeg: -rakeDeg || 0, tanFace, tanBack, spread };
}

/**
 * Height of a tooth newly filed on all three edges: its pitch is what the face leans over the height,
 * the run of the fresh bevel, and what the back leans over the height under the bevel's end,
 * p = h tan A + r + (h - r tan e) tan B. mm. RangeError where the bevel is longer than the tooth.
 * Example: A 0, B 45, e 0, p 2, r 0.3 -> 1.7 mm.
 */
export function freshHeightMm({ faceDeg, backDeg, topDeg, pitchMm }: Omit<PullTooth, 'heightMm'>): number {
  const run = FRESH_BEVEL_SHARE * pitchMm * Math.cos(Math.atan(tanDeg(topDeg)));
  const spread = tanDeg(faceDeg) + tanDeg(backDeg);
  const heightMm = (pitchMm - run + run * tanDeg(topDeg) * tanDeg(backDeg)) / spread;
  if (!(spread > 0 && heightMm > run * tanDeg(topDeg))) throw new RangeError('These three edges leave no tooth.');
  return heightMm;
}

/**
 * A tooth in side view from one gullet's bottom to the next, in the way it cuts: up the face to the
 * tip, along the bevel, down the back. x along the line, y up, mm.
 */
export function pullOutline(tooth: PullTooth, { tipHeightMm, bevelMm }: Pick<TopOnly, 'tipHeightMm' | 'bevelMm'>) {
  const [tanA, tanE] = [tanDeg(tooth.faceDeg), tanDeg(tooth.topDeg)];
  const run = bevelMm * Math.cos(Math.atan(tanE));
  const tip = { x: tipHeightMm * tanA, y: tipHeightMm };
  return [{ x: 0, y: 0 }, tip, { x: tip.x + run, y: tip.y - run * tanE }, { x: tooth.pitchMm, y: 0 }] as const;
}

/** The next filing of a pull saw. */
export const PULL_FILINGS = ['top-only', 'full'] as const;
export interface PullFiling {
  readonly kind: (typeof PULL_FILINGS)[number];
  /** Top-only filings since the last full one, this one not counted. */
  readonly since: number;
  readonly reason: Reason;
}

/** Two or three sharpenings touch only the top bevel (trade section 7): after the third the tooth has grown short. */
export const MOST_TOP_ONLY = 3;
/** A tooth shorter than this share of its full height packs with dust. Estimate, no source. */
export const LEAST_HEIGHT_SHARE = 0.85;

/**
 * Whether this filing may touch the top bevels only or wants all three edges:
 * full after three top-only filings, or sooner when measured teeth stand
 * below 85 % of their full height. Common practice for the count.
 */
export function nextPullFiling(topOnlySince: number, heightShare: number | null): PullFiling {
  const counted = topOnlySince >= MOST_TOP_ONLY;
  const short = heightShare !== null && heightShare < LEAST_HEIGHT_SHARE;
  return {
    kind: counted || short ? 'full' : 'top-only',
    since: topOnlySince,
    reason: because(
      counted || short ? 'All three edges' : 'Top bevels only',
      'top bevels alone two or three times; then both gullet flanks first and the top bevel last',
      [
        input('top-only filings since', topOnlySince, 'count'),
        ...(heightShare === null ? [] : [input('height of the full tooth left', heightShare, 'share')]),
      ],
      COMMON_PRACTICE,
      short && !counted ? 'The teeth stand too short already.' : undefined,
    ),
  };
}

export const PULL_EDGES = ['face', 'back', 'top'] as const;
export type PullEdge = (typeof PULL_EDGES)[number];

/** Narrowest plate a pull saw still works with, mm. No source. */
export const LEAST_PULL_PLATE_MM = 25;

/**
 * Full filings left: each takes the whole line down by what the tooth has grown
 * short, `perCycleMm`. It ends when the plate is too narrow. mm; a count.
 */
export function pullCyclesLeft(plateWidthMm: number, perCycleMm: number, leastMm = LEAST_PULL_PLATE_MM): number {
  if (!(perCycleMm > 0)) throw new RangeError('A full filing takes some plate.');
  return Math.max(0, Math.floor((plateWidthMm - leastMm) / perCycleMm + 1e-9));
}
