import { pictureHeader } from '@odontis/core/trace/picture-header';
import type { Shrunk, ShrinkWanted } from './shrink-protocol';

/** A picture of more pixels than this is not opened: it would not fit into a tablet's memory. */
export const MOST_PIXELS = 120_000_000;
/** Enough of a file to find its size in, past what a camera writes before it. Bytes. */
const HEADER_BYTES = 1_000_000;
const QUALITY = 0.82;

/**
 * A photograph made small and clean: decoded upright, drawn anew at its smaller
 * size and written as a JPEG, so that nothing of the camera's notes (place, time,
 * owner) goes along. Runs where there are OffscreenCanvas and createImageBitmap.
 */
export async function shrinkPhotograph({ id, picture, longestPx }: ShrinkWanted): Promise<Shrunk> {
  const size = pictureHeader(new Uint8Array(await picture.slice(0, HEADER_BYTES).arrayBuffer()));
  if (!size || size.widthPx === 0 || size.heightPx === 0) return { id, ok: false, code: 'not-a-picture', pixels: 0 };
  const pixels = size.widthPx * size.heightPx;
  if (pixels > MOST_PIXELS) return { id, ok: false, code: 'too-many-pixels', pixels };
  try {
    const scale = Math.min(1, longestPx / Math.max(size.widthPx, size.heightPx));
    const bitmap = await createImageBitmap(
      picture,
      scale < 1
        ? {
            resizeWidth: Math.max(1, Math.round(size.widthPx * scale)),
            resizeHeight: Math.max(1, Math.round(size.heightPx * scale)),
            resizeQuality: 'high',
          }
        : {},
    );
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0);
    bitmap.close();
    const jpeg = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
    return { id, ok: true, jpeg, widthPx: canvas.width, heightPx: canvas.height, fromPixels: pixels };
  } catch {
    return { id, ok: false, code: 'cannot-be-read', pixels };
  }
}
