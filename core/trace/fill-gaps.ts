import type { TracedTooth } from './traced-line';

/** Teeth lost without a stub between two that stand are put in at even steps and named missing; numbered anew. mm. */
export function fillGaps(teeth: readonly TracedTooth[], pitchMm: number): TracedTooth[] {
  const all: TracedTooth[] = [];
  for (const tooth of teeth) {
    const before = all[all.length - 1];
    const lost = before ? Math.round((tooth.xMm - before.xMm) / pitchMm) - 1 : 0;
    if (before) for (let k = 1; k <= lost; k++) all.push(missingBetween(before, tooth, k / (lost + 1), pitchMm));
    all.push(tooth);
  }
  return all.map((t, i) => ({ ...t, tooth: i + 1 }));
}

function missingBetween(before: TracedTooth, after: TracedTooth, share: number, pitchMm: number): TracedTooth {
  const between = (a: number, b: number): number => a + share * (b - a);
  return {
    tooth: 0,
    scan: 0,
    kind: 'missing',
    xMm: between(before.xMm, after.xMm),
    yMm: 0,
    flatMm: 0,
    rakeDeg: null,
    backDeg: null,
    gulletMm: null,
    errors: { xMm: pitchMm / 4, yMm: 0, flatMm: 0, rakeDeg: null, backDeg: null, gulletMm: null },
    doubts: ['missing'],
    tipPx: { x: between(before.tipPx.x, after.tipPx.x), y: between(before.tipPx.y, after.tipPx.y) },
    gulletPx: null,
  };
}
