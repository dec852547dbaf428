/** A stretch of band in the vise's jaws. */
export interface BandWindow {
  readonly number: number;
  /** First and last tooth in it, counted from 1 after the weld. */
  readonly from: number;
  readonly to: number;
}

/**
 * The band through the vise in windows of the jaw's length (geometry section 9):
 * whole teeth per window, number of windows, first and last tooth of each.
 * mm. Throws RangeError on jaws shorter than a tooth. Example: 2,400 mm of 6 mm
 * pitch in jaws of 150 -> 25 teeth a window, 16 windows.
 */
export function bandWindows(teeth: number, pitchMm: number, jawMm: number): BandWindow[] {
  if (!(pitchMm > 0)) throw new RangeError('Pitch must be above zero.');
  const each = Math.floor(jawMm / pitchMm + 1e-9);
  if (!(each >= 1)) throw new RangeError('The jaws are shorter than one tooth.');
  const windows: BandWindow[] = [];
  for (let from = 1; from <= teeth; from += each)
    windows.push({ number: windows.length + 1, from, to: Math.min(teeth, from + each - 1) });
  return windows;
}
