import type { Cut } from '../saw/families';
import { cornerDeg } from '../file/file-section';
import type { Saw } from '../saw/saw';
import type { Estimate } from '../evidence/estimate';
import { weightedMean } from '../evidence/estimate';
import type { AngleWay, SeatedSection } from '../evidence/angle-finding';
import type { AngleReading } from '../evidence/reading';
import { filedAlone } from '../evidence/angle-finding';
import { standing } from '../evidence/estimates';
import type { GulletAngles } from './gullet-angles';
import { gulletAngles } from './gullet-angles';
import type { SilhouetteFleam } from './silhouette-fleam';
import { silhouetteFleam } from './silhouette-fleam';

/** The saw's angles with one standard error each; fleam without a sign. Degrees. */
export interface AngleEstimates {
  readonly rakeDeg: Estimate | null;
  readonly backDeg: Estimate | null;
  readonly fleamDeg: Estimate | null;
  readonly slopeDeg: Estimate | null;
}
export const ANGLES = ['rakeDeg', 'backDeg', 'fleamDeg', 'slopeDeg'] as const;
export type Angle = (typeof ANGLES)[number];

export interface AnglesByWay extends AngleEstimates {
  readonly way: AngleWay;
  readonly teeth: number;
}

export interface AnglesView {
  readonly all: AngleEstimates;
  readonly ways: readonly AnglesByWay[];
  /** Fleam out of the side view alone; null without both flanks of enough teeth, or where no one file made them. */
  readonly silhouette: (SilhouetteFleam & { readonly section: SeatedSection }) | null;
  /** Angles that two ways tell more than three of their errors apart. */
  readonly apart: readonly {
    readonly angle: Angle;
    readonly byDeg: number;
    readonly ways: readonly [AngleWay, AngleWay];
  }[];
}

/** Two ways of one angle further off each other than this many errors disagree. */
const APART_ERRORS = 3;
/** Fewer teeth leave the flanks' errors unknown. */
const FEWEST_FLANKS = 3;

export const cutsOf = (saw: Saw): Cut => (saw.family === 'pull' ? 'pull' : 'push');
/** The file that usually lies in this saw's gullets. */
export const usualSection = (saw: Saw): SeatedSection => (saw.family === 'pull' ? 'feather' : 'taper');

/**
 * All readings of a saw's angles into one estimate of each: way by way the weighted mean
 * over the teeth, its error the larger of the gauges' own and of what the teeth scatter;
 * then the ways together, weighted by their errors. `section` is the file the
 * silhouette is judged by. Degrees.
 */
export function anglesOf(saw: Saw, readings: readonly AngleReading[], section: SeatedSection): AnglesView {
  const cuts = cutsOf(saw);
  const counted = standing(readings).filter((r) => r.value.way !== 'eye');
  const ways = (['file', 'bevel', 'scan'] as const).flatMap((way): AnglesByWay[] => {
    const of = counted.filter((r) => r.value.way === way);
    if (of.length === 0) return [];
    const found = of.map((r) => gulletAngles(r.value, cuts));
    return [{ way, teeth: new Set(of.map((r) => r.place)).size, ...estimates(found.map(unsigned)) }];
  });
  const scan = sideViewOf(ways);
  const silhouette =
    !filedAlone(saw) && scan?.rakeDeg && scan.backDeg && scan.teeth >= FEWEST_FLANKS
      ? { ...silhouetteFleam(scan.rakeDeg, scan.backDeg, cornerDeg(section)), section }
      : null;
  return { all: estimates(ways), ways, silhouette, apart: apartOf(ways) };
}

/** The way that saw both flanks from the side; a seated file tells the fleam itself. */
export const sideViewOf = (ways: readonly AnglesByWay[]): AnglesByWay | undefined =>
  (['scan', 'bevel'] as const)
    .map((way) => ways.find((w) => w.way === way && w.rakeDeg && w.backDeg))
    .find((w) => w !== undefined);

const unsigned = (g: GulletAngles): AngleEstimates => ({
  rakeDeg: g.rakeDeg,
  backDeg: g.backDeg,
  fleamDeg: g.faceTurnDeg && { value: Math.abs(g.faceTurnDeg.value), error: g.faceTurnDeg.error },
  slopeDeg: g.slopeDeg,
});

function estimates(of: readonly AngleEstimates[]): AngleEstimates {
  const mean = (angle: Angle): Estimate | null => weightedMean(of.map((one) => one[angle]));
  return { rakeDeg: mean('rakeDeg'), backDeg: mean('backDeg'), fleamDeg: mean('fleamDeg'), slopeDeg: mean('slopeDeg') };
}

function apartOf(ways: readonly AnglesByWay[]): AnglesView['apart'] {
  return ANGLES.flatMap((angle) =>
    ways.flatMap((one, i) =>
      ways.slice(i + 1).flatMap((other) => {
        const [a, b] = [one[angle], other[angle]];
        const byDeg = a && b ? Math.abs(a.value - b.value) : 0;
        return a && b && byDeg > APART_ERRORS * Math.hypot(a.error, b.error)
          ? [{ angle, byDeg, ways: [one.way, other.way] as const }]
          : [];
      }),
    ),
  );
}
