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

export const BAND_CIRCUITS = ['file', 'set-left', 'set-right'] as const;
export type BandCircuit = (typeof BAND_CIRCUITS)[number];

/** Where one clamp sits: on the last tooth done, and one on the last to do, placed before starting. */
export interface PlaceMarkers {
  readonly circuit: BandCircuit;
  readonly doneTooth: number | null;
  readonly lastTooth: number;
  readonly window: number;
  readonly left: number;
}

/**
 * The work on a band in circuits: filing every gullet, then setting one side,
 * then the other, as the band goes round. `joint` is a school's: never by default.
 */
export interface BandWork {
  readonly windows: readonly BandWindow[];
  readonly circuits: readonly { readonly circuit: BandCircuit; readonly teeth: readonly number[] }[];
  readonly strokesPerGullet: number;
}

/** Strokes a gullet on a band: equal all round (trade section 7). */
export const BAND_STROKES = 2;

export function planBand(
  leans: readonly ('left' | 'right' | 'straight')[],
  windows: readonly BandWindow[],
  set: boolean,
  strokesPerGullet = BAND_STROKES,
): BandWork {
  const all = leans.map((_, i) => i + 1);
  const leaning = (side: 'left' | 'right'): number[] => all.filter((tooth) => leans[tooth - 1] === side);
  return {
    windows,
    strokesPerGullet,
    circuits: [
      { circuit: 'file', teeth: all },
      ...(set
        ? [
            { circuit: 'set-left' as const, teeth: leaning('left') },
            { circuit: 'set-right' as const, teeth: leaning('right') },
          ]
        : []),
    ],
  };
}

/** Where the clamps stand after so many stops: null when the band is done. Place never lost, for a call or a week. */
export function placeAfter(work: BandWork, stops: number): PlaceMarkers | null {
  let before = 0;
  for (const { circuit, teeth } of work.circuits) {
    if (stops < before + teeth.length) {
      const at = stops - before;
      const next = teeth[at] as number;
      return {
        circuit,
        doneTooth: at === 0 ? null : (teeth[at - 1] as number),
        lastTooth: teeth[teeth.length - 1] as number,
        window: (work.windows.find((w) => next >= w.from && next <= w.to) ?? { number: 1 }).number,
        left: teeth.length - at,
      };
    }
    before += teeth.length;
  }
  return null;
}
