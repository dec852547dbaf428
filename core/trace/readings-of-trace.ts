import type { ToothReading } from '../evidence/tooth-reading';
import type { TracedLine } from './traced-line';

/** A shop's readings go to the micrometre: what is below is neither measured nor filed. */
const micron = (mm: number): number => Math.round(mm * 1000) / 1000;

/** The traced line as readings, heel first: places, heights and kinds. Lean and set are not to be seen from the side. */
export function readingsOfTrace(line: TracedLine): ToothReading[] {
  return line.teeth.map((t) => ({
    tooth: t.tooth,
    xMm: micron(t.xMm),
    yMm: t.kind === 'missing' ? 0 : micron(t.yMm),
    kind: t.kind,
  }));
}
