import { middle } from '../saw/middle';
import type { TracedTooth } from './traced-line';

/** A step this share off the usual one is uneven enough to be looked at. */
const SPACING_OFF = 0.25;

/** Teeth that stand off the usual step to both sides want a look; steps to and from a raker are their own and judge nothing. */
export function markSpacing(teeth: readonly TracedTooth[]): TracedTooth[] {
  const steps = teeth.slice(1).map((t, i) => {
    const before = teeth[i] as TracedTooth;
    return t.raker || before.raker ? NaN : t.xMm - before.xMm;
  });
  const usual = middle(steps.filter((s) => !Number.isNaN(s)));
  const off = (i: number): boolean => Math.abs((steps[i] ?? NaN) / usual - 1) > SPACING_OFF;
  return teeth.map((t, i) =>
    t.kind === 'tooth' && off(i - 1) && off(i) ? { ...t, doubts: [...t.doubts, 'off-spacing'] } : t,
  );
}
