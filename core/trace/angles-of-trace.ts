import { ANGLE_ERROR_DEG } from '../evidence/angle-finding';
import type { TracedLine } from './traced-line';

/** Both flanks of every whole tooth of a trace as readings; rakers, teeth in doubt about their flanks and angles known badly are left out. Degrees to a hundredth. */
export function anglesOfTrace(
  line: TracedLine,
): { readonly tooth: number; readonly finding: { way: 'scan'; rakeDeg: number | null; backDeg: number | null } }[] {
  const told = (deg: number | null, error: number | null): number | null =>
    error !== null && error <= MOST_ERROR_DEG ? round(deg) : null;
  const round = (deg: number | null): number | null => (deg === null ? null : Math.round(deg * 100) / 100);
  return line.teeth
    .filter(
      (t) =>
        t.kind === 'tooth' &&
        !t.raker &&
        !t.doubts.some((d) => FLANK_DOUBTS.has(d)) &&
        (told(t.rakeDeg, t.errors.rakeDeg) !== null || told(t.backDeg, t.errors.backDeg) !== null),
    )
    .map((t) => ({
      tooth: t.tooth,
      finding: {
        way: 'scan',
        rakeDeg: told(t.rakeDeg, t.errors.rakeDeg),
        backDeg: told(t.backDeg, t.errors.backDeg),
      },
    }));
}

/** An angle known worse than twice what a scan's counts for is not kept as one. Degrees. */
const MOST_ERROR_DEG = 2 * ANGLE_ERROR_DEG.scan;
const FLANK_DOUBTS: ReadonlySet<string> = new Set(['one-flank', 'rough-flank', 'moved', 'added']);
