import type { DirtyFindings, TraceAgainstTruth } from './trace-truth';
import { againstTruth, dirtyFindings } from './trace-truth';
import type { LineWish, ScanWish, TrueTooth } from './made-scan';
import { madeLine, madeScan, randomFrom } from './made-scan';
import { traceTeeth } from '../trace/trace-teeth';
import type { TracedLine } from '../trace/traced-line';

/** A saw and a scan of it with everything at random: teeth, wear, dust, rust, light, lie, blur. 600 dots to the inch. */
export function randomScan(seed: number): { readonly line: LineWish; readonly scan: ScanWish } {
  const next = randomFrom(seed);
  // The first numbers of neighbouring seeds are alike.
  for (let k = 0; k < 20; k++) next();
  const between = (low: number, high: number): number => low + (high - low) * next();
  const now = (share: number): boolean => next() < share;
  const pitchMm = between(1.3, 5);
  const teeth = Math.round(between(20, 70));
  const somewhere = (): number => 3 + Math.floor(next() * (teeth - 6));
  const broken = now(0.4) ? [somewhere()] : [];
  const missing = now(0.3) ? [somewhere()].filter((m) => !broken.includes(m)) : [];
  const flat = now(0.35);
  const dark = now(0.5);
  return {
    line: {
      teeth,
      pitchMm,
      rakeDeg: between(-25, 5),
      unevenMm: between(0, 0.05) * pitchMm,
      unequalMm: between(0, 0.04) * pitchMm,
      unlikeDeg: between(0, 3),
      ...(flat ? { flatMm: between(0.05, 0.2) } : { roundMm: between(0, 0.04) }),
      breastMm: now(0.3) ? between(-0.5, 2) : 0,
      broken,
      missing,
      seed,
    },
    scan: {
      dpi: 600,
      plateMm: 3 * pitchMm,
      spaceMm: 2 * pitchMm,
      skewDeg: between(-5, 5),
      blurPx: between(0.4, 1.2),
      noise: between(1, 5),
      unevenLight: between(0, 0.4),
      dust: Math.floor(between(0, 150)),
      rust: Math.floor(between(0, 60)),
      plateGrey: dark ? between(30, 90) : between(190, 225),
      spaceGrey: dark ? between(180, 235) : between(25, 80),
      seed: seed + 9,
    },
  };
}

/** Such a scan traced and held against what it was made from; the code of its refusal where there is one. */
export function tracedRandom(seed: number):
  | {
      readonly ok: true;
      readonly truth: TraceAgainstTruth;
      readonly line: TracedLine;
      readonly teeth: readonly TrueTooth[];
    }
  | { readonly ok: false; readonly code: string } {
  const { line: wish, scan } = randomScan(seed);
  const teeth = madeLine(wish);
  const made = madeScan(teeth, scan);
  const result = traceTeeth(made.picture, { mmPerPx: made.mmPerPx, heel: 'left' });
  if (!result.ok) return { ok: false, code: result.code };
  const length = (wish.teeth - 1) * wish.pitchMm;
  const slope = (x: number): number => (-(wish.breastMm ?? 0) * 4 * ((2 * x) / length - 1)) / length;
  return { ok: true, truth: againstTruth(teeth, made, result, slope, 0.05), line: result, teeth };
}

/** A saw with all its teeth and a dirty scan of it: dust, rust, uneven light, noise, blur. 600 dots to the inch. */
export function dirtyScan(seed: number): { readonly line: LineWish; readonly scan: ScanWish } {
  const next = randomFrom(seed * 7919);
  for (let k = 0; k < 20; k++) next();
  const between = (low: number, high: number): number => low + (high - low) * next();
  const pitchMm = between(1.3, 5);
  const teeth = Math.round(between(25, 60));
  const dark = next() < 0.5;
  return {
    line: {
      teeth,
      pitchMm,
      rakeDeg: between(-25, 5),
      unevenMm: 0.04 * pitchMm,
      unequalMm: 0.03 * pitchMm,
      unlikeDeg: between(0, 3),
      roundMm: between(0, 0.04),
      seed,
    },
    scan: {
      dpi: 600,
      plateMm: 2.5 * pitchMm,
      spaceMm: 1.5 * pitchMm,
      skewDeg: between(-5, 5),
      blurPx: between(0.4, 1.2),
      noise: between(1, 5),
      unevenLight: between(0, 0.4),
      dust: Math.floor(between(50, 250)),
      rust: Math.floor(between(30, 120)),
      plateGrey: dark ? between(30, 90) : between(190, 225),
      spaceGrey: dark ? between(180, 235) : between(25, 80),
      seed: seed + 9,
    },
  };
}

export function tracedDirty(seed: number, statedErrors = 3): DirtyFindings {
  const { line: wish, scan } = dirtyScan(seed);
  const teeth = madeLine(wish);
  const made = madeScan(teeth, scan);
  const trace = traceTeeth(made.picture, { mmPerPx: made.mmPerPx, heel: 'left' });
  if (!trace.ok) throw new Error(`dirty scan ${seed} refused: ${trace.code}`);
  return dirtyFindings(teeth, made, trace, statedErrors);
}
