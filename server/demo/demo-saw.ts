import type { StraightSaw } from '@odontis/contract/saw';
import { SAW_PATTERNS } from '@odontis/core/saw/families';
import { pitchMmFromCount, teethOnLine } from '@odontis/core/saw/points';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';
import { wornLine } from './worn-line';

/** The n-th demo saw: patterns in turn, sizes a little different each. */
export function demoSaw(n: number, random: () => number): Omit<StraightSaw, 'id'> {
  const pattern = SAW_PATTERNS[n % SAW_PATTERNS.length] as (typeof SAW_PATTERNS)[number];
  const points = pattern.points + Math.round(random() * 2 - 1) * (pattern.points > 9 ? 1 : 0.5);
  return {
    name: pattern.name,
    family: pattern.family,
    filing: pattern.filing,
    pitchMm: pitchMmFromCount(points, 'points'),
    convention: 'points',
    toothLineMm: pattern.toothLineMm + Math.round(random() * 4 - 2) * 5,
    plateThicknessMm: pattern.plateThicknessMm,
    plateDepthHeelMm: pattern.plateDepthHeelMm,
    plateDepthToeMm: pattern.plateDepthToeMm,
    backFixing: pattern.family === 'hand' ? 'none' : random() < 0.6 ? 'folded' : 'slotted',
    marksOnIt: '',
  };
}

export interface DemoWear {
  readonly hard: boolean;
  readonly brokenAt?: number;
}

/** How such a saw comes in. */
export function demoReadings(saw: Omit<StraightSaw, 'id'>, wear: DemoWear, random: () => number): ToothReading[] {
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

/** The same saw after its work: on the planned targets, set renewed. */
export function demoAfter(
  targets: readonly { tooth: number; xMm: number; yMm: number }[],
  before: readonly ToothReading[],
  setMm: number,
  random: () => number,
): ToothReading[] {
  const round = (mm: number): number => Math.round(mm * 1000) / 1000;
  const byTooth = new Map(targets.map((t) => [t.tooth, t]));
  return before.map((r) => {
    const target = byTooth.get(r.tooth);
    if (!target) return r;
    const set = r.kind === 'tooth' ? round(setMm * (0.96 + 0.08 * random())) : null;
    return { ...r, xMm: round(target.xMm), yMm: round(target.yMm - 0.012 * random()), setMm: set };
  });
}
