/** Made-up saws of cutters and rakers, for the invariants; test only. Lengths mm. */
import fc from 'fast-check';
import { cutterLeans } from '../evidence/sides';
import type { ToothReading } from '../evidence/tooth-reading';
import type { ToothRole } from '../saw/tooth-pattern';
import { parsePattern, rolesAlong } from '../saw/tooth-pattern';
import type { CuttersAndRakers, LineInputs } from '../work/tooth-line/inputs';
import { lineInputsOf } from '../work/tooth-line/inputs';

export interface RandomRakerSaw {
  readonly readings: ToothReading[];
  readonly roles: readonly ToothRole[];
  readonly pattern: string;
  readonly offset: number;
  readonly pitchMm: number;
  readonly breastMm: number;
}

/**
 * A saw of cutters and rakers, breasted or straight, lying aslant: its rakers `wantedMm` below the arc,
 * single cutters and rakers off by up to `wornMm`.
 */
export const randomRakerSaw = (wantedMm: number, wornMm: number): fc.Arbitrary<RandomRakerSaw> =>
  fc
    .record({
      pattern: fc.constantFrom('CCR', 'CCCCR', 'CR', 'CCCRCR', 'C'),
      start: fc.nat(5),
      teeth: fc.integer({ min: 18, max: 90 }),
      pitchMm: fc.double({ min: 5, max: 16, noNaN: true }),
      breastShare: fc.constantFrom(0, 0, 0.004, 0.012, 0.02),
      tilt: fc.double({ min: -0.003, max: 0.003, noNaN: true }),
      off: fc.array(fc.double({ min: -1, max: 0, noNaN: true }), { minLength: 90, maxLength: 90 }),
    })
    .map(({ pattern, start, teeth, pitchMm, breastShare, tilt, off }) => {
      const offset = start % pattern.length;
      const parsed = parsePattern(pattern);
      const roles = rolesAlong(parsed.ok ? parsed.roles : ['cutter'], teeth, offset);
      const leans = cutterLeans(roles);
      const lengthMm = (teeth - 1) * pitchMm;
      const breastMm = breastShare * lengthMm;
      const readings = roles.map((role, i): ToothReading => {
        const xMm = i * pitchMm;
        const arc = breastMm * (1 - ((2 * xMm) / lengthMm - 1) ** 2) + tilt * xMm;
        const yMm = arc - (role === 'raker' ? wantedMm : 0) + wornMm * (off[i] as number);
        return { tooth: i + 1, xMm, yMm, lean: leans[i] ?? null, kind: 'tooth' };
      });
      return { readings, roles, pattern, offset, pitchMm, breastMm };
    });

/** What a study of it is made from. */
export const rakerInputs = (
  { readings, pattern, offset, pitchMm, roles }: RandomRakerSaw,
  cutters: Partial<CuttersAndRakers> = {},
): LineInputs =>
  lineInputsOf({
    saw: {
      family: 'crosscut',
      filing: 'crosscut',
      wood: 'dry-soft',
      plateThicknessMm: 1.6,
      plateDepthMm: 120,
      pitchMm,
      teeth: readings.length,
    },
    angles: { rakeDeg: -30, fleamDeg: 25 },
    readings,
    cutters: {
      kind: 'one-man',
      pattern,
      offset,
      read: readings.filter((r) => roles[r.tooth - 1] === 'raker').map((r) => r.tooth),
      widths: [],
      gullets: [],
      tip: 'straight',
      tipDeg: 25,
      wantedMm: null,
      breastMm: null,
      shoesMm: 200,
      ...cutters,
    },
  });
