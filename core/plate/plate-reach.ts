import type { PlaceEstimate } from '../evidence/estimates';

/** How far something on the plate reaches, all readings together. */
export interface PlateReach {
  /** Stretches along the plate that it lies over, from and to, heel first, joined where they touch. mm. */
  readonly stretches: readonly { readonly fromMm: number; readonly toMm: number }[];
  readonly totalMm: number;
  /** Of the whole line. */
  readonly share: number;
  /** Numbers of the teeth inside, first and last of each stretch. */
  readonly teeth: readonly { readonly first: number; readonly last: number }[];
}

/**
 * Rust or pitting read as so many mm along the plate about each station: the
 * stretches together, cut off at the ends, and the teeth that stand in them.
 * Tooth 1 stands at 0 and the others a pitch apart. Null without any. O(n log n).
 */
export function plateReach(readings: readonly PlaceEstimate[], lengthMm: number, pitchMm: number): PlateReach | null {
  const spans = readings
    .filter((r) => r.valueMm > 0)
    .map((r) => ({ fromMm: Math.max(0, r.place - r.valueMm / 2), toMm: Math.min(lengthMm, r.place + r.valueMm / 2) }))
    .sort((a, b) => a.fromMm - b.fromMm);
  if (spans.length === 0) return null;
  const stretches: { fromMm: number; toMm: number }[] = [];
  for (const one of spans) {
    const last = stretches[stretches.length - 1];
    if (last && one.fromMm <= last.toMm) last.toMm = Math.max(last.toMm, one.toMm);
    else stretches.push({ ...one });
  }
  const totalMm = stretches.reduce((s, one) => s + one.toMm - one.fromMm, 0);
  return {
    stretches,
    totalMm,
    share: totalMm / lengthMm,
    teeth: stretches
      .map(({ fromMm, toMm }) => ({ first: Math.ceil(fromMm / pitchMm) + 1, last: Math.floor(toMm / pitchMm) + 1 }))
      .filter(({ first, last }) => last >= first),
  };
}
