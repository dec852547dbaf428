import { localPitches } from './local-pitch';
import type { TracedTooth } from './traced-line';
import { bareTooth } from './traced-line';

/** Teeth lost without a stub between two that stand are put in at even steps and named missing; numbered anew. mm. */
export function fillGaps(teeth: readonly TracedTooth[], pitchMm: number): TracedTooth[] {
  const all: TracedTooth[] = [];
  const around = teeth.some((t) => t.raker) ? [] : localPitches(teeth.map((t) => t.xMm));
  teeth.forEach((tooth, i) => {
    const before = all[all.length - 1];
    // A gap among starter teeth is measured by their own pitch, one at their beginning by the line's.
    const [left, right] = [around[i - 1]?.before ?? pitchMm, around[i]?.after ?? pitchMm];
    const ownMm = Math.abs(left - right) < SAME_PITCH * pitchMm ? Math.min(pitchMm, Math.max(left, right)) : pitchMm;
    const lost = before ? Math.round((tooth.xMm - before.xMm) / ownMm) - 1 : 0;
    if (before) for (let k = 1; k <= lost; k++) all.push(missingBetween(before, tooth, k / (lost + 1), pitchMm));
    all.push(tooth);
  });
  return all.map((t, i) => ({ ...t, tooth: i + 1 }));
}

/** Pitches to both sides nearer than this share of the line's are one stretch's. No source. */
const SAME_PITCH = 0.1;

function missingBetween(before: TracedTooth, after: TracedTooth, share: number, pitchMm: number): TracedTooth {
  const between = (a: number, b: number): number => a + share * (b - a);
  const tipPx = { x: between(before.tipPx.x, after.tipPx.x), y: between(before.tipPx.y, after.tipPx.y) };
  const bare = bareTooth('missing', tipPx, ['missing']);
  return { ...bare, xMm: between(before.xMm, after.xMm), errors: { ...bare.errors, xMm: pitchMm / 4 } };
}
