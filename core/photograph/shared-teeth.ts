import type { TracedLine } from '../trace/traced-line';
import { laidOut, takenUp } from './fit-camera';
import type { Place } from './homography';
import type { BenchLie } from './read-photograph';

/** Teeth of two photographs are one where they lie this near, in pitches. */
const SAME_TOOTH = 0.35;

/**
 * How many teeth two photographs of one line share, by the strips that both show: the second's bench laid on the
 * first's. Null where no strip is on both, or where its first tooth lies on none of the first's.
 */
export function sharedTeeth(
  first: { readonly line: TracedLine; readonly bench: BenchLie },
  second: { readonly line: TracedLine; readonly bench: BenchLie },
): number | null {
  const common = second.bench.strips.flatMap((strip) => {
    const other = first.bench.strips.find(({ key }) => key === strip.key);
    return other ? [{ on: other.lie, from: strip.lie }] : [];
  })[0];
  if (!common) return null;
  const across = (place: Place): Place => laidOut(common.on, takenUp(common.from, place));
  const teethOf = ({ line, bench }: typeof first): Place[] =>
    line.teeth.map(({ tipPx }) => laidOut(bench.grid, [tipPx.x * line.mmPerPx, tipPx.y * line.mmPerPx]));
  const start = teethOf(second).map(across)[0];
  if (!start) return null;
  const off = teethOf(first).map(([x, y]) => Math.hypot(x - start[0], y - start[1]));
  const nearest = off.indexOf(Math.min(...off));
  return (off[nearest] ?? Infinity) < SAME_TOOTH * first.line.summary.pitchMm.value
    ? first.line.teeth.length - nearest
    : null;
}
