/** Saws of the families that are gauged place by place, as a test wants them. */
import type { SawOf } from '../saw/saw';

export const PLAIN_HEAD = {
  name: 'A saw',
  marksOnIt: '',
  convention: 'teeth',
  plateThicknessMm: 0.9,
  plateDepthHeelMm: 20,
  plateDepthToeMm: 20,
  backFixing: 'none',
} as const;
export const BAND: SawOf<'band'> = {
  ...PLAIN_HEAD,
  family: 'band',
  filing: 'rip',
  set: 'alternate',
  pitchMm: 6.35,
  toothLineMm: 2095.5,
};
export const RAKER: SawOf<'crosscut'> = {
  ...PLAIN_HEAD,
  family: 'crosscut',
  filing: 'crosscut',
  kind: 'two-man',
  pattern: 'CCCCR',
  pitchMm: 15,
  toothLineMm: 1500,
  plateThicknessMm: 1.8,
};
export const DADO: SawOf<'dado'> = {
  ...PLAIN_HEAD,
  family: 'dado',
  filing: 'combination',
  diameterMm: 200,
  boreMm: 25.4,
  tipped: 'steel',
  markedLimitRpm: 7000,
  pitchMm: 26,
  toothLineMm: 628,
  parts: [
    { id: 'left', kind: 'outer', teeth: 24, plateMm: 3, cutMm: 3.2 },
    { id: 'one', kind: 'chipper', teeth: 2, plateMm: 3, cutMm: 3.2 },
    { id: 'thin', kind: 'shim', teeth: 0, plateMm: 0.1, cutMm: 0.1 },
  ],
};
