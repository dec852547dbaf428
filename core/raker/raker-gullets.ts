import type { Reason } from '../reason/reason';
import { because, input } from '../reason/reason';
import { rakerGullet } from './raker-target';

/** A length gauged at one raker, mm. */
export interface AtRaker {
  readonly tooth: number;
  readonly mm: number;
}

/** One raker's gullet for its own width. mm. */
export interface GulletWanted {
  readonly tooth: number;
  readonly wantedMm: number;
  /** How much deeper than it is; null where its gullet was not measured. */
  readonly deeperMm: number | null;
}

/** Gullets for the rakers measured across their tips, and why; null where none was. */
export interface RakerGullets {
  readonly tipDeg: number;
  readonly leastMm: number;
  readonly mostMm: number;
  readonly each: readonly GulletWanted[];
  readonly reason: Reason;
}

/**
 * Each raker's own gullet: half its width over the tangent of the tip's angle ({@link rakerGullet}), and
 * how much deeper that is than measured. mm, degrees. O(n). Example: 6 mm at 25 degrees -> 6.43 mm.
 */
export function rakerGullets(
  widths: readonly AtRaker[],
  gullets: readonly AtRaker[],
  tipDeg: number,
): RakerGullets | null {
  if (widths.length === 0) return null;
  const now = new Map(gullets.map((g) => [g.tooth, g.mm]));
  const each = widths.map(({ tooth, mm }) => {
    const wantedMm = rakerGullet(mm, tipDeg, 0).depthMm;
    const has = now.get(tooth);
    return { tooth, wantedMm, deeperMm: has === undefined ? null : wantedMm - has };
  });
  const [wanted, wide] = [each.map((raker) => raker.wantedMm), widths.map((w) => w.mm)];
  return {
    tipDeg,
    leastMm: Math.min(...wanted),
    mostMm: Math.max(...wanted),
    each,
    reason: because(
      'Gullet in the raker',
      'half its width ÷ tan(tip angle)',
      [
        input('tip angle', tipDeg, 'deg'),
        input('narrowest raker', Math.min(...wide), 'mm'),
        input('widest raker', Math.max(...wide), 'mm'),
      ],
      'geometry section 7; a tip of 20 to 30 degrees, common practice',
      'One depth for all leaves the wide rakers blunt and the narrow ones thin: a thin tip bends or breaks in a knot.',
    ),
  };
}
