import type { AnglePair } from '../../file/angle-pair';
import type { FileChoice } from '../../file/file-choice';
import type { FiledTooth } from '../../file/flank-angles';
import { toothHeightMm } from '../../file/flank-angles';
import type { FilingWay } from './filing-way';
import type { NominalLine } from '../../saw/zones';

/** Teeth of the line filed alike: its main stretch, or a zone at the toe with a file and a hold of its own. */
export interface Stretch {
  readonly fromTooth: number;
  readonly toTooth: number;
  /** Mean pitch, mm. */
  readonly pitchMm: number;
  /** Mean rake; a graded stretch goes evenly through it. */
  readonly rakeDeg: number;
  readonly filed: FiledTooth;
  readonly heightMm: number;
  readonly file: FileChoice;
}

/** The stretches of a line from heel to toe, `nominal` at the angles it will have. O(n). */
export function stretchesOf(
  nominal: NominalLine,
  { fleamDeg }: Pick<AnglePair, 'fleamDeg'>,
  way: FilingWay,
): Stretch[] {
  const stretches: Stretch[] = [];
  const n = nominal.zone.length;
  for (let from = 0; from < n;) {
    let to = from;
    while (to + 1 < n && nominal.zone[to + 1] === nominal.zone[from]) to++;
    const rakeDeg = mean(nominal.rakeDeg.subarray(from, to + 1));
    // The spacing after a stretch's last tooth may be its coarser neighbour's.
    const pitchMm = mean(nominal.pitchMm.subarray(from, Math.max(to, from + 1)));
    const filed = way.toothOf(rakeDeg, fleamDeg);
    const heightMm = toothHeightMm(pitchMm, filed);
    stretches.push({
      fromTooth: from + 1,
      toTooth: to + 1,
      pitchMm,
      rakeDeg,
      filed,
      heightMm,
      file: way.fileOf(heightMm, filed, fleamDeg),
    });
    from = to + 1;
  }
  return stretches;
}

const mean = (values: Float64Array): number => values.reduce((sum, v) => sum + v, 0) / values.length;

/** The stretch a gullet lies in: that of the tooth before it; the gullet before the first tooth is the first's. */
export const stretchOf = (stretches: readonly Stretch[], gullet: number): Stretch =>
  (stretches.find((s) => gullet <= s.toTooth) ?? stretches[stretches.length - 1]) as Stretch;
