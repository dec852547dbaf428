import type { ToothReading } from '@odontis/core/evidence/tooth-reading';

/** A small seeded generator (mulberry32), so that the demo is the same every time. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export interface Wear {
  /** Depth of the hollow worn by short strokes, mm. */
  readonly hollowMm: number;
  /** How far single heights stray, mm. */
  readonly strayMm: number;
  /** How far single places stray, share of the pitch. */
  readonly spacingShare: number;
  readonly setLeftMm: number;
  readonly setRightMm: number;
  readonly brokenAt?: number;
}

/** A made-up worn tooth line: hollow in its middle third, single teeth straying. Demo data only. */
export function wornLine(teeth: number, pitchMm: number, wear: Wear, random: () => number): ToothReading[] {
  const round = (mm: number): number => Math.round(mm * 1000) / 1000;
  const stray = (): number => random() + random() - 1;
  return Array.from({ length: teeth }, (_, i) => {
    const along = i / Math.max(1, teeth - 1);
    const hollow = wear.hollowMm * Math.sin(Math.PI * along) ** 2;
    const broken = wear.brokenAt === i + 1;
    const left = i % 2 === 0;
    const set = (left ? wear.setLeftMm : wear.setRightMm) * (1 + 0.12 * stray());
    return {
      tooth: i + 1,
      xMm: round(i * pitchMm + (i === 0 ? 0 : stray() * wear.spacingShare * pitchMm)),
      yMm: round(-hollow - Math.abs(stray()) * wear.strayMm - (broken ? 0.3 * pitchMm : 0)),
      lean: left ? 'left' : 'right',
      setMm: broken ? null : round(set),
      kind: broken ? 'broken' : 'tooth',
      note: broken ? 'nail' : null,
    };
  });
}
