import type { SessionKind } from '@odontis/core/evidence/session';
import type { MeasuredSaw } from './build-drawing';
import type { SawDrawing } from './drawing';
import { loopDrawing } from './loop-drawing';
import { rimDrawing } from './rim-drawing';

/** A saw whose teeth go round, unrolled; null of one that is not drawn so. mm. */
export function roundDrawing(
  measured: MeasuredSaw,
  say: (mm: number) => string,
  kind: SessionKind = 'before',
): SawDrawing | null {
  const { saw } = measured;
  if (saw.family === 'band') return loopDrawing(measured, saw, say, kind);
  return saw.family === 'circular' ? rimDrawing(measured, saw, say, kind) : null;
}
