import { ORDINARY_SAWS } from '@odontis/core/saw/ordinary-saws';
import { countFromPitchMm, pitchMmFromCount, teethOnLine } from '@odontis/core/units/points';
import type { Saw, SawOf } from '@odontis/core/saw/saw';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { SHARPENING_MM } from '@odontis/core/life/sharpening-metal';
import { bentLengthMm } from '@odontis/core/set/set-wear';
import { wornLine } from './worn-line';

export type StraightSaw = SawOf<'hand' | 'back'>;

export const isStraight = (saw: Saw): saw is StraightSaw => saw.family === 'hand' || saw.family === 'back';

const STRAIGHT = ORDINARY_SAWS.map((one) => one.saw).filter(isStraight);

/** The n-th demo saw: ordinary ones in turn, sizes a little different each. */
export function demoSaw(n: number, random: () => number): StraightSaw {
  const saw = STRAIGHT[n % STRAIGHT.length] as StraightSaw;
  const usual = countFromPitchMm(saw.pitchMm, 'points');
  const points = usual + Math.round(random() * 2 - 1) * (usual > 9 ? 1 : 0.5);
  return {
    ...saw,
    pitchMm: pitchMmFromCount(points, 'points'),
    toothLineMm: saw.toothLineMm + Math.round(random() * 4 - 2) * 5,
    backFixing: saw.family === 'hand' ? 'none' : random() < 0.6 ? 'folded' : 'slotted',
  };
}

export interface DemoWear {
  readonly hard: boolean;
  readonly brokenAt?: number;
}

/** How such a saw comes in. */
export function demoReadings(saw: StraightSaw, wear: DemoWear, random: () => number): ToothReading[] {
  const set = saw.family === 'back' ? 0.055 : 0.11;
  return wornLine(
    teethOnLine(saw.toothLineMm, saw.pitchMm),
    saw.pitchMm,
    {
      hollowMm: (wear.hard ? 0.12 : 0.004) * saw.pitchMm * (0.5 + random()),
      strayMm: (wear.hard ? 0.03 : 0.003) * saw.pitchMm,
      spacingShare: wear.hard ? 0.06 : 0.02,
      setLeftMm: set * (0.9 + 0.35 * random()),
      setRightMm: set * (0.85 + 0.2 * random()),
      brokenAt: wear.brokenAt,
    },
    random,
  );
}

/** In this made-up shop a filing takes set so many times faster than the hinge says. */
const WEAR_TIMES = 1.25;

/** Share of a set that a filing leaves, of a line whose order leaves it alone. mm. */
export const setKept = (depthMm: number, toothHeightMm: number): number =>
  Math.max(0, 1 - (WEAR_TIMES * (depthMm + SHARPENING_MM)) / bentLengthMm(toothHeightMm));

/** The same saw after its work: on the planned targets; its set renewed, or what is kept of each tooth's own. */
export function demoAfter(
  targets: readonly { tooth: number; xMm: number; yMm: number }[],
  before: readonly ToothReading[],
  set: { readonly renewedMm: number } | { readonly keptShare: number },
  random: () => number,
): ToothReading[] {
  const round = (mm: number): number => Math.round(mm * 1000) / 1000;
  const byTooth = new Map(targets.map((t) => [t.tooth, t]));
  return before.map((r) => {
    const target = byTooth.get(r.tooth);
    if (!target) return r;
    const stray = r.kind === 'tooth' ? 0.96 + 0.08 * random() : 1;
    const meantMm = 'renewedMm' in set ? set.renewedMm : r.setMm && set.keptShare * r.setMm;
    const setMm = r.kind === 'tooth' && typeof meantMm === 'number' ? round(meantMm * stray) : null;
    return { ...r, xMm: round(target.xMm), yMm: round(target.yMm - 0.012 * random()), setMm };
  });
}
