import { median } from '../units/median';
import { localPitches } from './local-pitch';
import type { TracedTooth } from './traced-line';

/** A step this share off the usual one is uneven enough to be looked at. */
const SPACING_OFF = 0.25;

/** Teeth that stand off the usual step to both sides want a look; steps to and from a raker are their own and judge nothing. */
export function markSpacing(teeth: readonly TracedTooth[]): TracedTooth[] {
  const steps = teeth.slice(1).map((t, i) => {
    const before = teeth[i] as TracedTooth;
    return t.raker || before.raker ? NaN : t.xMm - before.xMm;
  });
  const usual = median(steps.filter((s) => !Number.isNaN(s)));
  const rakers = teeth.some((t) => t.raker);
  const around = rakers ? [] : localPitches(teeth.map((t) => t.xMm));
  const far = (step: number, pitch: number): boolean => Math.abs(step / pitch - 1) > SPACING_OFF;
  // At a toe of starter teeth a step is usual when it is so on the one side or the other.
  const off = (i: number): boolean => {
    const step = steps[i] ?? NaN;
    return far(step, usual) && far(step, around[i]?.before ?? usual) && far(step, around[i + 1]?.after ?? usual);
  };
  return teeth.map((t, i) =>
    t.kind === 'tooth' && off(i - 1) && off(i) ? { ...t, doubts: [...t.doubts, 'off-spacing'] } : t,
  );
}
