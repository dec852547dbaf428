import type { TracedLine } from './traced-line';

/** Both flanks of every whole tooth of a trace as readings; rakers and teeth in doubt about their flanks are left out. Degrees to a hundredth. */
export function anglesOfTrace(
  line: TracedLine,
): { readonly tooth: number; readonly finding: { way: 'scan'; rakeDeg: number | null; backDeg: number | null } }[] {
  const round = (deg: number | null): number | null => (deg === null ? null : Math.round(deg * 100) / 100);
  return line.teeth
    .filter(
      (t) =>
        t.kind === 'tooth' &&
        !t.raker &&
        !t.doubts.some((d) => FLANK_DOUBTS.has(d)) &&
        (t.rakeDeg !== null || t.backDeg !== null),
    )
    .map((t) => ({ tooth: t.tooth, finding: { way: 'scan', rakeDeg: round(t.rakeDeg), backDeg: round(t.backDeg) } }));
}

const FLANK_DOUBTS: ReadonlySet<string> = new Set(['one-flank', 'rough-flank', 'moved', 'added']);
