import * as UTIF from 'utif2';
import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import type { PictureFault } from '@odontis/core/trace/picture-faults';
import { pictureFault } from '@odontis/core/trace/picture-faults';
import type { PictureHeader } from '@odontis/core/trace/picture-header';
import { pictureHeader } from '@odontis/core/trace/picture-header';

export type Decoded =
  | { readonly ok: true; readonly header: PictureHeader; readonly picture: GreyPicture }
  | { readonly ok: false; readonly code: PictureFault; readonly header: PictureHeader | null };

const HEADER_BYTES = 1_000_000;
/** A picture is drawn out of its bitmap in pieces of so many pixels: more would hold it twice. */
const [PIECE_WIDTH, PIECE_HEIGHT] = [4096, 512];

/**
 * A picture file in grey. PNG and JPEG by the browser's own decoder, TIFF by utif2.
 * Luma as in ITU-R BT.601. Refuses by the header, before anything is decoded, what is no
 * picture or too large. Runs where there are OffscreenCanvas and createImageBitmap.
 */
export async function decodePicture(file: Blob, report: (share: number) => void): Promise<Decoded> {
  const first = new Uint8Array(await file.slice(0, HEADER_BYTES).arrayBuffer());
  const isTiff = (first[0] === 0x49 && first[1] === 0x49) || (first[0] === 0x4d && first[1] === 0x4d);
  const whole = isTiff ? new Uint8Array(await file.arrayBuffer()) : first;
  const header = pictureHeader(whole);
  const fault = pictureFault(header);
  if (fault || !header) return { ok: false, code: fault ?? 'not-a-picture', header };
  report(0.1);
  try {
    const picture = header.format === 'tiff' ? greyTiff(whole, header) : await greyBitmap(file, header, report);
    return picture ? { ok: true, header, picture } : { ok: false, code: 'cut-short', header };
  } catch {
    return { ok: false, code: 'cut-short', header };
  }
}

const luma = (r: number, g: number, b: number): number => (77 * r + 150 * g + 29 * b) >> 8;

async function greyBitmap(
  file: Blob,
  header: PictureHeader,
  report: (share: number) => void,
): Promise<GreyPicture | null> {
  // As it lies: an upright note in the file would turn the places of its pixels.
  const bitmap = await createImageBitmap(file, {
    imageOrientation: 'none',
    colorSpaceConversion: 'none',
    premultiplyAlpha: 'none',
  });
  try {
    const { width, height } = bitmap;
    if (width !== header.widthPx || height !== header.heightPx) return null;
    const grey = new Uint8Array(width * height);
    const canvas = new OffscreenCanvas(Math.min(width, PIECE_WIDTH), Math.min(height, PIECE_HEIGHT));
    const context = canvas.getContext('2d', { willReadFrequently: true });
    if (!context) return null;
    for (let top = 0; top < height; top += canvas.height) {
      for (let left = 0; left < width; left += canvas.width) {
        const [w, h] = [Math.min(canvas.width, width - left), Math.min(canvas.height, height - top)];
        // What is clear in the picture is white, as paper is.
        context.fillStyle = '#fff';
        context.fillRect(0, 0, w, h);
        context.drawImage(bitmap, left, top, w, h, 0, 0, w, h);
        const { data } = context.getImageData(0, 0, w, h);
        for (let y = 0, from = 0; y < h; y++) {
          const to = (top + y) * width + left;
          for (let x = 0; x < w; x++, from += 4)
            grey[to + x] = luma(data[from] as number, data[from + 1] as number, data[from + 2] as number);
        }
      }
      report(0.1 + (0.9 * Math.min(top + canvas.height, height)) / height);
    }
    return { widthPx: width, heightPx: height, grey };
  } finally {
    bitmap.close();
  }
}

/** A camera's frame in grey; the frame is let go. */
export function greyFrame(frame: ImageBitmap): GreyPicture {
  const { width, height } = frame;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!context) throw new TypeError('A frame cannot be drawn here.');
  context.drawImage(frame, 0, 0);
  frame.close();
  const { data } = context.getImageData(0, 0, width, height);
  const grey = new Uint8Array(width * height);
  for (let i = 0, from = 0; i < grey.length; i++, from += 4)
    grey[i] = luma(data[from] as number, data[from + 1] as number, data[from + 2] as number);
  return { widthPx: width, heightPx: height, grey };
}

function greyTiff(bytes: Uint8Array, header: PictureHeader): GreyPicture | null {
  const buffer = bytes.buffer as ArrayBuffer;
  const page = UTIF.decode(buffer)[0];
  if (!page) return null;
  UTIF.decodeImage(buffer, page);
  const { width, height } = page;
  if (width !== header.widthPx || height !== header.heightPx) return null;
  const pixels = UTIF.toRGBA8(page);
  if (pixels.length < 4 * width * height) return null;
  const grey = new Uint8Array(width * height);
  for (let i = 0, from = 0; i < grey.length; i++, from += 4)
    grey[i] = luma(pixels[from] as number, pixels[from + 1] as number, pixels[from + 2] as number);
  return { widthPx: width, heightPx: height, grey };
}
