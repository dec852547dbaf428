import type { Flats } from './flats';
import { tautString } from './taut-string';

export interface Spacing {
  /** Where each standing tooth's point should end, mm from the heel. */
  readonly xMm: Float64Array;
  /** Greatest |spacing - pitches x pitch|, mm. */
  readonly worstMm: number;
  readonly rmsMm: number;
}

/**
 * The smoothest spacing inside the flats for a given pitch: a taut string in
 * z_i = x_i - (tooth number) p (geometry section 4). A missing tooth's neighbours
 * count two pitches because the tooth numbers do. O(n).
 */
export function smoothestSpacing(flats: Flats, teeth: Int32Array, pitchMm: number): Spacing {
  const n = teeth.length;
  const low = new Float64Array(n);
  const high = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const shift = (teeth[i] as number) * pitchMm;
    low[i] = (flats.fromMm[i] as number) - shift;
    high[i] = (flats.toMm[i] as number) - shift;
  }
  const z = tautString(low, high);
  const xMm = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const x = (z[i] as number) + (teeth[i] as number) * pitchMm;
    xMm[i] = Math.min(Math.max(x, flats.fromMm[i] as number), flats.toMm[i] as number);
  }
  return { xMm, ...spacingErrors(xMm, teeth, pitchMm) };
}

/** Worst and root-mean-square error of spacings against the pitch, mm. */
export function spacingErrors(
  xMm: Float64Array,
  teeth: Int32Array,
  pitchMm: number,
): { worstMm: number; rmsMm: number } {
  let worst = 0;
  let squares = 0;
  for (let i = 1; i < xMm.length; i++) {
    const pitches = (teeth[i] as number) - (teeth[i - 1] as number);
    const off = (xMm[i] as number) - (xMm[i - 1] as number) - pitches * pitchMm;
    worst = Math.max(worst, Math.abs(off));
    squares += off * off;
  }
  return { worstMm: worst, rmsMm: xMm.length < 2 ? 0 : Math.sqrt(squares / (xMm.length - 1)) };
}
