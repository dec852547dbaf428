import type { DialReading } from '../circular/dial-harmonics';
import { toothAngle } from '../circular/dial-harmonics';

/** A blade read tooth by tooth at what its angle or its place makes of it, every one a scorer unless said otherwise. mm. */
export const madeBlade = (
  teeth: number,
  off: (angle: number, i: number) => number,
  kind: (i: number) => DialReading['kind'] = () => 'scorer',
): DialReading[] =>
  Array.from({ length: teeth }, (_, i) => ({
    tooth: i + 1,
    offMm: off(toothAngle(i + 1, teeth), i),
    kind: kind(i),
  }));
