import { MM_PER_INCH } from '../units/length';
import type { PicturePlace } from './traced-line';

/** Size of a pixel, and its standard error as a share of it. */
export interface PictureScale {
  readonly mmPerPx: number;
  readonly scaleError: number;
}

/** Resolutions a scanner offers; what a program writes that knows none is left out. */
export const SCANNER_DPI = [150, 200, 300, 400, 600, 800, 1200, 1600, 2400, 4800] as const;
/** Below this a file's tag is a screen's, not a scanner's. */
export const LEAST_DPI = 140;
/** A flatbed's own scale is true to about this share (makers promise 0.1 to 0.5 %; common practice, no source). */
const FLATBED_ERROR = 0.002;

/** Scale from a resolution in pixels to the inch. Example: 600 -> 0.042333 mm. Throws RangeError for none. */
export function scaleFromDpi(dpi: number): PictureScale {
  if (!(dpi > 0) || !Number.isFinite(dpi)) throw new RangeError('A resolution is above zero.');
  return { mmPerPx: MM_PER_INCH / dpi, scaleError: FLATBED_ERROR };
}

/**
 * Scale from a known length between two places put by hand, each to about a pixel
 * and a half: share of error = sqrt(2) 1.5 / distance. mm and px. Throws RangeError
 * for places one on the other.
 */
export function scaleFromLength(lengthMm: number, from: PicturePlace, to: PicturePlace): PictureScale {
  const distance = Math.hypot(to.x - from.x, to.y - from.y);
  if (!(distance >= 2) || !(lengthMm > 0)) throw new RangeError('Mark two places a known length apart.');
  return { mmPerPx: lengthMm / distance, scaleError: (Math.SQRT2 * BY_HAND_PX) / distance };
}
const BY_HAND_PX = 1.5;

/** A traced pitch further than this from the one counted is a wrong scale, not a worn saw. */
const PITCH_OFF = 0.12;
/** Near enough to a resolution that scanners have. */
const DPI_NEAR = 0.06;

export interface ScaleFault {
  readonly tracedPitchMm: number;
  readonly toldPitchMm: number;
  /** Resolution that would make the two agree, when scanners have it. */
  readonly likelyDpi: number | null;
}

/** Whether the traced pitch contradicts the saw's own, and which resolution would explain it; null when they agree. */
export function scaleFault(tracedPitchMm: number, toldPitchMm: number, mmPerPx: number): ScaleFault | null {
  const ratio = tracedPitchMm / toldPitchMm;
  if (Math.abs(Math.log(ratio)) < Math.log(1 + PITCH_OFF)) return null;
  const wanted = (MM_PER_INCH / mmPerPx) * ratio;
  const likelyDpi = SCANNER_DPI.find((dpi) => Math.abs(wanted / dpi - 1) < DPI_NEAR) ?? null;
  return { tracedPitchMm, toldPitchMm, likelyDpi };
}
