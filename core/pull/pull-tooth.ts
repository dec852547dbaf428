import type { Reason } from '../reason/reason';
import { because, input, COMMON_PRACTICE } from '../reason/reason';
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

/** The next filing of a pull saw. */
export interface PullFiling {
  readonly kind: 'top-only' | 'full';
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

/** One pass: an edge of every second tooth, the saw turned after the first half. */
export interface PullPass {
  readonly edge: PullEdge;
  readonly leaning: 'left' | 'right';
}

/** Passes in order: flanks first and the top bevel last, alternate teeth, then the saw turned. Push strokes only. */
export function pullPasses(kind: PullFiling['kind']): PullPass[] {
  const edges: readonly PullEdge[] = kind === 'full' ? ['face', 'back', 'top'] : ['top'];
  return edges.flatMap((edge) => [
    { edge, leaning: 'left' as const },
    { edge, leaning: 'right' as const },
  ]);
}

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
