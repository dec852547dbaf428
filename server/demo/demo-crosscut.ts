import { randomUUID } from 'node:crypto';
import type { Reading } from '@odontis/core/evidence/reading';
import { sidesOf } from '@odontis/core/evidence/sides';
import { takeLine } from '@odontis/core/evidence/take';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { underCutters } from '@odontis/core/evidence/rakers-read';
import { rakerSawOf, rakerTarget } from '@odontis/core/raker/raker-target';
import type { SawOf } from '@odontis/core/saw/saw';
import { rakersOf, rolesOn, teethOf } from '@odontis/core/saw/saw';

/** How a demo saw of cutters and rakers comes in. Lengths mm. */
export interface CrosscutWear {
  /** Crown it was filed to, and what short strokes took out of its middle. */
  readonly breastMm: number;
  readonly hollowMm: number;
  /** So many rakers are lower than they should be. */
  readonly tooLow: number;
  /** Cutters measured, from the heel on; all where left out. */
  readonly cutters?: number;
}

const round = (mm: number): number => Math.round(mm * 1000) / 1000;

/** A made-up worn line of cutters and rakers, tips as they stand. Demo data only. */
export function wornCrosscut(saw: SawOf<'crosscut'>, wear: CrosscutWear, random: () => number): ToothReading[] {
  const teeth = teethOf(saw);
  const roles = rolesOn(saw, teeth) ?? [];
  const sides = sidesOf(saw);
  const wantedMm = rakerTarget(rakerSawOf(saw.kind), 'dry-soft').depthMm;
  const stray = (mm: number): number => (random() + random() - 1) * mm;
  let rakers = 0;
  const low = Math.floor(rakersOf(saw) / (wear.tooLow + 1));
  return Array.from({ length: teeth }, (_, i): ToothReading => {
    const share = (2 * i) / Math.max(1, teeth - 1) - 1;
    const arc = -wear.breastMm * share ** 2 - wear.hollowMm * (1 - share ** 2) ** 2;
    const raker = roles[i] === 'raker';
    if (raker) rakers++;
    const tooLow = raker && wear.tooLow > 0 && low > 0 && rakers % low === 0 && rakers / low <= wear.tooLow;
    // A dull saw: cutters have worn down to their rakers, which stand nearer under them than they should.
    const yMm = arc - (raker ? wantedMm * (tooLow ? 2.4 : 0.45 + 0.3 * random()) : Math.abs(stray(0.12)));
    return {
      tooth: i + 1,
      xMm: round(i * saw.pitchMm + stray(0.02 * saw.pitchMm)),
      yMm: round(yMm),
      lean: sides(i + 1),
      setMm: raker ? null : round(0.22 + stray(0.05)),
      kind: 'tooth',
    };
  });
}

/**
 * What a shop gauges of such a line: places and heights of its cutters against a straight edge, set,
 * every raker against its two cutters, and, before the work, rakers across their tips with their gullets.
 */
export function gaugedCrosscut(
  saw: SawOf<'crosscut'>,
  teeth: readonly ToothReading[],
  { widths, cutters = Infinity }: { readonly widths: boolean; readonly cutters?: number | undefined },
  random: () => number,
): Reading[] {
  const roles = rolesOn(saw, teeth.length) ?? [];
  const how = { gauge: 'straight-edge', simulated: false, mint: randomUUID } as const;
  const measured = teeth.slice(0, cutters);
  const line = takeLine([], { teeth: measured.filter((r) => roles[r.tooth - 1] === 'cutter'), places: true }, how);
  const length = (quantity: 'raker-depth' | 'raker-width' | 'gullet-depth', place: number, value: number): Reading => ({
    ...{ key: randomUUID(), quantity, part: null, place, value, gauge: 'straight-edge' },
    ...{ setAside: false, corrects: null, simulated: false },
  });
  // The straight the gauge lies on, over each raker.
  const over = Float64Array.from(measured, (r) => r.yMm);
  underCutters({ xMm: Float64Array.from(measured, (r) => r.xMm), yMm: over }, roles, new Map());
  const rakers = measured.flatMap((r, i) =>
    roles[i] === 'raker' ? [{ tooth: r.tooth, depthMm: (over[i] as number) - r.yMm }] : [],
  );
  return [
    ...line,
    ...rakers.map(({ tooth, depthMm }) => length('raker-depth', tooth, round(depthMm))),
    ...(widths
      ? rakers.flatMap(({ tooth }) => {
          const widthMm = saw.pitchMm * (0.5 + 0.08 * random());
          const gulletMm = (widthMm / 2 / Math.tan((25 * Math.PI) / 180)) * (0.85 + 0.1 * random());
          return [length('raker-width', tooth, round(widthMm)), length('gullet-depth', tooth, round(gulletMm))];
        })
      : []),
  ];
}
