/** Made-up worn saws for the invariants; test only. Lengths mm. */
import fc from 'fast-check';
import type { ToothReading } from '../evidence/tooth-reading';
import type { LineInputs } from '../work/tooth-line/inputs';
import { lineInputsOf } from '../work/tooth-line/inputs';

export interface RandomSaw {
  readonly readings: ToothReading[];
  readonly pitchMm: number;
}

/** Worn saw: places off by up to a tenth of the pitch, heights by up to a sixth, some teeth missing. */
export const randomSaw = (most = 60): fc.Arbitrary<RandomSaw> =>
  fc
    .record({
      pitchMm: fc.double({ min: 1, max: 6, noNaN: true }),
      teeth: fc.array(
        fc.record({
          dx: fc.double({ min: -0.1, max: 0.1, noNaN: true }),
          dy: fc.double({ min: -0.16, max: 0, noNaN: true }),
          missing: fc.integer({ min: 0, max: 19 }),
        }),
        { minLength: 8, maxLength: most },
      ),
    })
    .map(({ pitchMm, teeth }) => ({
      pitchMm,
      readings: teeth.map((t, i) => ({
        tooth: i + 1,
        xMm: (i + t.dx) * pitchMm,
        yMm: t.dy * pitchMm,
        kind: t.missing === 0 && i > 0 && i < teeth.length - 1 ? ('missing' as const) : ('tooth' as const),
      })),
    }));

export const planInputs = (
  readings: readonly ToothReading[],
  pitchMm: number,
  more: Partial<LineInputs> = {},
): LineInputs =>
  lineInputsOf({
    saw: {
      family: 'back',
      filing: 'rip',
      wood: 'dry-soft',
      plateThicknessMm: 0.6,
      plateDepthMm: 60,
      pitchMm,
    },
    angles: { rakeDeg: 0, fleamDeg: 0 },
    readings,
    ...more,
  });

/** An even saw of n teeth at given pitch, tips at height 0. */
export const evenSaw = (n: number, pitchMm: number): ToothReading[] =>
  Array.from({ length: n }, (_, i) => ({ tooth: i + 1, xMm: i * pitchMm, yMm: 0, kind: 'tooth' as const }));
