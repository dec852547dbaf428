import { estimatesOf } from '@odontis/core/evidence/estimates';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import type { SessionKind } from '@odontis/core/evidence/session';
import { sidesOf } from '@odontis/core/evidence/sides';
import type { ToothReading } from '@odontis/core/evidence/tooth-reading';
import { toothFor } from '@odontis/core/file/flank-angles';
import type { SawOf } from '@odontis/core/saw/saw';
import { teethOf } from '@odontis/core/saw/saw';
import type { MeasuredSaw } from './build-drawing';
import { baseDrawing } from './build-drawing';
import type { Lane, SawDrawing } from './drawing';

type Say = (mm: number) => string;

/** A band unrolled from its weld to its weld, with what was sampled of it lane by lane. mm. */
export function loopDrawing(
  dossier: MeasuredSaw,
  saw: SawOf<'band'>,
  say: Say,
  kind: SessionKind = 'before',
): SawDrawing {
  const teeth = teethOf(saw);
  const pitchMm = saw.toothLineMm / teeth;
  const sides = sidesOf(saw);
  const readings = dossier.sessions.filter((s) => s.kind === kind).flatMap((s) => s.readings);
  const sampled = (quantity: LengthQuantity): Float64Array => {
    const values = new Float64Array(teeth).fill(NaN);
    for (const { place, valueMm } of estimatesOf(readings, quantity, null))
      if (place <= teeth) values[place - 1] = valueMm;
    return values;
  };
  const line = Array.from({ length: teeth }, (_, i): ToothReading => ({
    tooth: i + 1,
    xMm: (i + 0.5) * pitchMm,
    yMm: 0,
    lean: sides(i + 1),
    setMm: null,
    kind: 'tooth',
  }));
  const lane = (id: string, name: string, kind: Lane['kind'], values: Float64Array): Lane[] =>
    values.some((v) => !Number.isNaN(v)) ? [{ id, name, values, before: null, kind, limit: NaN, say }] : [];
  return {
    ...baseDrawing(dossier, line, toothFor(0, 0)),
    held: 'loop',
    ends: { heel: 'weld', toe: 'weld' },
    leans: line.map((r) => r.lean ?? null),
    lanes: [
      ...lane('set', 'Set, sampled', 'sides', sampled('set')),
      ...lane('height', 'Heights, sampled', 'bars', sampled('height')),
    ],
  };
}
