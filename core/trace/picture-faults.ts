import type { PictureHeader } from './picture-header';
import { LEAST_DPI } from './scale';

/**
 * Largest picture that is decoded, pixels: a 700 mm saw in a strip of 90 mm at 1200
 * dots to the inch. In a browser a picture takes four bytes a pixel while it is
 * decoded and one while it is traced (docs/formats.md gives the bound).
 */
export const MOST_TRACED_PIXELS = 160_000_000;
/** A side that no line of five teeth fits in, and one longer than browsers decode. */
export const LONGEST_SIDE_PX = 65_535;

export const PICTURE_FAULTS = ['not-a-picture', 'too-many-pixels', 'cut-short'] as const;
export type PictureFault = (typeof PICTURE_FAULTS)[number];

/** Whether a file of this header may be decoded; null header for what is no picture. */
export function pictureFault(header: PictureHeader | null): PictureFault | null {
  if (!header || header.format === 'webp' || header.widthPx === 0 || header.heightPx === 0) return 'not-a-picture';
  const { widthPx, heightPx } = header;
  return widthPx * heightPx > MOST_TRACED_PIXELS || Math.max(widthPx, heightPx) > LONGEST_SIDE_PX
    ? 'too-many-pixels'
    : null;
}

export function pictureFaultWords(fault: PictureFault, name: string, header: PictureHeader | null): string {
  if (fault === 'not-a-picture')
    return `${name} is no picture that can be traced, whatever its name says: use PNG, JPEG or TIFF.`;
  if (fault === 'cut-short') return `${name} ends too early or is damaged: copy it from the scanner again.`;
  const megapixels = header ? Math.round((header.widthPx * header.heightPx) / 1e6) : 0;
  return `${name} has ${megapixels} million pixels; ${MOST_TRACED_PIXELS / 1e6} million are read at most. Scan a narrow strip along the teeth, at 600 dots to the inch, or in two scans that overlap.`;
}

/** Resolution a file says, where it can be a scanner's. */
export function believableDpi(header: PictureHeader): number | null {
  const { dpi, dpiAcross } = header;
  if (dpi === null || dpi < LEAST_DPI) return null;
  // Pixels that are not square come from no flatbed.
  return dpiAcross !== null && Math.abs(dpiAcross / dpi - 1) > 0.01 ? null : dpi;
}
