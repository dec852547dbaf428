import type { PlaceEstimate } from '@odontis/core/gauge/gauged';
import type { ToothReading } from '@odontis/core/saw/tooth-reading';

/**
 * A line's readings with the heights or sets of a gauging session put in, tooth by
 * tooth. Teeth that nobody has measured yet stand where the pitch puts them, level,
 * up to the last one gauged. mm.
 */
export function lineOfGauged(
  readings: readonly ToothReading[],
  quantity: 'height' | 'set',
  estimates: readonly PlaceEstimate[],
  pitchMm: number,
): ToothReading[] {
  const byTooth = new Map(estimates.map((e) => [e.place, e.valueMm]));
  const count = Math.max(readings.length, ...estimates.map((e) => e.place));
  const from = readings[readings.length - 1];
  return Array.from({ length: count }, (_, i) => {
    const now = readings[i] ?? {
      tooth: i + 1,
      xMm: from ? from.xMm + (i + 1 - from.tooth) * pitchMm : i * pitchMm,
      yMm: 0,
      kind: 'tooth' as const,
    };
    const value = byTooth.get(i + 1);
    if (value === undefined || now.kind === 'missing') return now;
    return quantity === 'height' ? { ...now, yMm: value } : { ...now, setMm: value };
  });
}
