import type { SessionKind } from '@odontis/core/evidence/session';
import type { SawOf, SetPart } from '@odontis/core/saw/saw';
import { bladeMeasures } from '@odontis/core/saw/saw';
import type { MeasuredSaw } from './build-drawing';
import type { SawDrawing } from './drawing';
import { loopDrawing } from './loop-drawing';
import { rimDrawing } from './rim-drawing';

/** A part of a set as the blade it is by itself. mm. */
export const partBlade = (saw: SawOf<'dado'>, part: SetPart): SawOf<'circular'> => ({
  ...saw,
  ...bladeMeasures(saw.diameterMm, saw.boreMm, part.teeth),
  family: 'circular',
  name: part.id,
  filing: 'crosscut',
  plateThicknessMm: part.plateMm,
});

/** A blade's rim with the line it is jointed to, on the dial. mm. */
export const jointedRim = (drawing: SawDrawing, atMm: number): SawDrawing => ({
  ...drawing,
  joint: { alphaMm: atMm, beta: 0 },
});

/** A saw whose teeth go round, unrolled; of a set the part asked for, its first with teeth else. Null of one that is not drawn so. mm. */
export function roundDrawing(
  measured: MeasuredSaw,
  say: (mm: number) => string,
  kind: SessionKind = 'before',
  partId: string | null = null,
): SawDrawing | null {
  const { saw } = measured;
  if (saw.family === 'band') return loopDrawing(measured, saw, say, kind);
  if (saw.family === 'circular') return rimDrawing(measured, saw, say, kind);
  if (saw.family !== 'dado') return null;
  const part = saw.parts.find((one) => one.id === partId && one.teeth > 0) ?? saw.parts.find((one) => one.teeth > 0);
  if (!part) return null;
  const quantity = part.kind === 'outer' ? ('runout' as const) : ('chipper-height' as const);
  return rimDrawing(measured, partBlade(saw, part), say, kind, { id: part.id, quantity });
}
