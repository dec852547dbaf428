/** Readings of angles as somebody would take them, for tests. */
import type { SawOf } from '../saw/saw';
import type { AngleFinding } from '../evidence/angle-finding';
import type { AngleReading } from '../evidence/reading';

export const HAND: SawOf<'hand'> = {
  name: 'A saw',
  marksOnIt: '',
  family: 'hand',
  filing: 'crosscut',
  backFixing: 'none',
  convention: 'points',
  pitchMm: 3.175,
  toothLineMm: 650,
  plateThicknessMm: 0.9,
  plateDepthHeelMm: 140,
  plateDepthToeMm: 60,
};
export type Seated = AngleFinding & { readonly way: 'file' };
export const seated = (change: Partial<Seated> = {}): Seated => ({
  way: 'file',
  section: 'taper',
  rollDeg: 15,
  turnDeg: 25,
  slopeDeg: 0,
  from: 'left',
  ...change,
});
let named = 0;
export const read = (tooth: number, finding: AngleFinding, change: Partial<AngleReading> = {}): AngleReading => ({
  key: `k${named++}`,
  quantity: 'angles',
  part: null,
  place: tooth,
  value: finding,
  gauge: finding.way,
  setAside: false,
  corrects: null,
  simulated: false,
  ...change,
});
export const bevel = (turnDeg: number | null, rakeDeg: number | null = null): AngleFinding => ({
  way: 'bevel',
  rakeDeg,
  backDeg: null,
  turnDeg,
});
export const eye = (point: 'left' | 'right' | 'none'): AngleFinding => ({ way: 'eye', point });
export const alternate = (tooth: number) => ({
  lean: tooth % 2 ? ('left' as const) : ('right' as const),
  assumed: false,
});
