/**
 * Radius of a breasted tooth line from sagitta c over chord l:
 * R = l^2 / (8 c) + c / 2 (geometry section 5; the ordinary chord formula of
 * engineers' handbooks, circular segments, from memory). mm from mm.
 * Example: c 20 over 900 -> 5072.5 mm.
 */
export function breastRadiusMm(chordMm: number, sagittaMm: number): number {
  if (!(chordMm > 0) || !(sagittaMm > 0)) throw new RangeError('Chord and sagitta must be above zero.');
  return (chordMm * chordMm) / (8 * sagittaMm) + sagittaMm / 2;
}

/** The way back: sagitta of a chord on a circle, c = R - sqrt(R^2 - l^2/4). mm. */
export function sagittaMm(chordMm: number, radiusMm: number): number {
  if (!(radiusMm >= chordMm / 2)) throw new RangeError('A chord is never longer than the diameter.');
  return radiusMm - Math.sqrt(radiusMm * radiusMm - (chordMm * chordMm) / 4);
}
