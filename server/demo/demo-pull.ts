import { randomUUID } from 'node:crypto';
import type { Reading } from '@odontis/core/evidence/reading';
import { takeLine } from '@odontis/core/evidence/take';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { freshHeightMm } from '@odontis/core/pull/pull-tooth';
import { softEdgesOf, lineSawAt } from '@odontis/core/saw/edges';
import type { Filing } from '@odontis/core/saw/families';
import type { SawOf } from '@odontis/core/saw/saw';
import { teethOf } from '@odontis/core/saw/saw';
import { wornLine } from './worn-line';

/** A made-up worn line of a pull saw's edge; null the one edge it has. Demo data only. */
export function wornPull(saw: SawOf<'pull'>, edge: Filing | null, random: () => number): ToothReading[] {
  const own = lineSawAt(saw, edge);
  return wornLine(
    teethOf(own),
    own.pitchMm,
    {
      hollowMm: 0.05 * own.pitchMm * (0.5 + random()),
      strayMm: 0.02 * own.pitchMm,
      spacingShare: 0.01,
      setLeftMm: 0.045 * (0.9 + 0.2 * random()),
      setRightMm: 0.045 * (0.9 + 0.2 * random()),
    },
    random,
  );
}

/** Every soft edge of such a saw, each with its lines as they are shown and kept. */
export const edgesToMeasure = (saw: SawOf<'pull'>): readonly (Filing | null)[] =>
  saw.edges === 2 ? softEdgesOf(saw) : [null];

/** What a shop reads of an edge: places, heights and set, and a few gullets. */
export function readPull(saw: SawOf<'pull'>, edge: Filing | null, teeth: readonly ToothReading[]): Reading[] {
  const { pitchMm } = lineSawAt(saw, edge);
  const line = takeLine([], { teeth, places: true }, { gauge: 'straight-edge', simulated: false, mint: randomUUID });
  const gulletMm = 0.93 * freshHeightMm({ faceDeg: 5, backDeg: 25, topDeg: 30, pitchMm });
  const gullets = [0.2, 0.5, 0.8].map((share): Reading => ({
    ...{ key: randomUUID(), quantity: 'gullet-depth', place: Math.round(share * teeth.length) },
    ...{ value: Math.round(gulletMm * 100) / 100, gauge: 'caliper', part: null },
    ...{ setAside: false, corrects: null, simulated: false },
  }));
  return [...line, ...gullets].map((r) => ({ ...r, part: edge }));
}
