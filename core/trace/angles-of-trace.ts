import { ANGLE_ERROR_DEG } from '../evidence/angle-finding';
import type { TracedLine } from './traced-line';
import type { SeenTurn } from './turns-of-trace';

export interface TracedAngles {
  readonly tooth: number;
  readonly finding: {
    readonly way: 'scan';
    readonly rakeDeg: number | null;
    readonly backDeg: number | null;
    readonly turnDeg?: number;
  };
}

/**
 * Both flanks of every whole tooth of a trace as readings, with the turn that its bevels show; rakers, teeth in doubt
 * about their flanks and angles known badly are left out. Degrees to a hundredth.
 */
export function anglesOfTrace(line: TracedLine, turns: readonly SeenTurn[] = []): TracedAngles[] {
  const turnAt = new Map(turns.map(({ tooth, turnDeg }) => [tooth, turnDeg.value]));
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
        ...(turnAt.has(t.tooth) && { turnDeg: round(turnAt.get(t.tooth) ?? null) as number }),
      },
    }));
}

/** An angle known worse than twice what a scan's counts for is not kept as one. Degrees. */
const MOST_ERROR_DEG = 2 * ANGLE_ERROR_DEG.scan;
const FLANK_DOUBTS: ReadonlySet<string> = new Set(['one-flank', 'rough-flank', 'moved', 'added']);
