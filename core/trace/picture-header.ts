import { MM_PER_INCH } from '../units/length';

export interface PictureHeader {
  readonly format: 'png' | 'jpeg' | 'tiff' | 'webp';
  readonly widthPx: number;
  readonly heightPx: number;
  /** Pixels to the inch as the file says, along x; null where it says none. */
  readonly dpi: number | null;
  /** The same along y, where it differs: no scanner's picture. */
  readonly dpiAcross: number | null;
}

const MM_PER_METRE = 1000;
const CM_PER_INCH = 2.54;

/**
 * Size and resolution of a picture from its bytes, nothing decoded: PNG (ISO 15948,
 * IHDR and pHYs), JPEG (ITU T.81 frame headers, JFIF density of ITU T.871), TIFF 6.0
 * (tags 256, 257, 282, 283, 296) or WebP (RFC 9649). Null for anything else, such as
 * text that only calls itself .jpg, and for a file cut off before its size was told.
 * A TIFF's directory may stand at its end: it wants the whole file, the others their
 * first million bytes.
 */
export function pictureHeader(bytes: Uint8Array): PictureHeader | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  try {
    if (bytes[0] === 0xff && bytes[1] === 0xd8) return jpegHeader(view);
    const mark = view.getUint32(0);
    if (mark === 0x89504e47) return pngHeader(view);
    if (mark === 0x49492a00 || mark === 0x4d4d002a) return tiffHeader(view);
    if (mark === 0x52494646 && view.getUint32(8) === 0x57454250) return webpHeader(view);
  } catch {
    // Cut off before its size was told.
  }
  return null;
}

function of(
  format: PictureHeader['format'],
  widthPx: number,
  heightPx: number,
  dpi: number | null,
  dpiAcross: number | null,
): PictureHeader {
  // Files keep pixels to the metre: 600 to the inch comes back as 599.9988.
  const known = (value: number | null): number | null =>
    value !== null && value > 0 ? Math.round(value * 100) / 100 : null;
  return { format, widthPx, heightPx, dpi: known(dpi), dpiAcross: known(dpiAcross) };
}

/** Chunks of length, name, data and check; pHYs counts pixels to the metre where its unit is 1. */
function pngHeader(view: DataView): PictureHeader {
  const [widthPx, heightPx] = [view.getUint32(16), view.getUint32(20)];
  let at = 8;
  while (at + 12 <= view.byteLength) {
    const name = view.getUint32(at + 4);
    if (name === 0x49444154) break;
    if (name === 0x70485973 && at + 17 <= view.byteLength && view.getUint8(at + 16) === 1) {
      const inch = MM_PER_INCH / MM_PER_METRE;
      return of('png', widthPx, heightPx, view.getUint32(at + 8) * inch, view.getUint32(at + 12) * inch);
    }
    at += 12 + view.getUint32(at);
  }
  return of('png', widthPx, heightPx, null, null);
}

/** Frame headers: C0 to CF but for C4 (tables), C8 (reserved) and CC (conditioning). */
const isFrame = (marker: number): boolean => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);

function jpegHeader(view: DataView): PictureHeader | null {
  let at = 2;
  let dpi: [number | null, number | null] = [null, null];
  while (at < view.byteLength) {
    if (view.getUint8(at) !== 0xff) return null;
    const marker = view.getUint8(at + 1);
    if (marker === 0xff) at += 1;
    else if (isFrame(marker)) return of('jpeg', view.getUint16(at + 7), view.getUint16(at + 5), ...dpi);
    else {
      // JFIF's own segment: "JFIF\0", version, unit (1 inch, 2 centimetre), densities.
      if (marker === 0xe0 && view.getUint32(at + 4) === 0x4a464946) {
        const unit = view.getUint8(at + 11);
        const per = unit === 1 ? 1 : unit === 2 ? CM_PER_INCH : 0;
        if (per > 0) dpi = [view.getUint16(at + 12) * per, view.getUint16(at + 14) * per];
      }
      // Exif keeps the same in a TIFF directory of its own (JEITA CP-3451), "Exif" and two noughts before it.
      if (marker === 0xe1 && view.getUint32(at + 4) === 0x45786966 && dpi[0] === null) dpi = exifDensity(view, at + 10);
      at += 2 + view.getUint16(at + 2);
    }
  }
  return null;
}

function exifDensity(view: DataView, from: number): [number | null, number | null] {
  try {
    const tags = directory(new DataView(view.buffer, view.byteOffset + from, view.byteLength - from));
    return densityOf(tags);
  } catch {
    // Damaged notes are no reason to refuse a picture.
    return [null, null];
  }
}

/** First directory of a TIFF by tag: twelve bytes an entry, values of up to four bytes in place. */
function directory(view: DataView): Map<number, number> {
  const little = view.getUint16(0) === 0x4949;
  const u16 = (at: number): number => view.getUint16(at, little);
  const u32 = (at: number): number => view.getUint32(at, little);
  const from = u32(4);
  const tags = new Map<number, number>();
  for (let k = 0; k < u16(from); k++) {
    const at = from + 2 + 12 * k;
    const [tag, kind] = [u16(at), u16(at + 2)];
    if (kind === 3) tags.set(tag, u16(at + 8));
    else if (kind === 4) tags.set(tag, u32(at + 8));
    else if (kind === 5) tags.set(tag, u32(u32(at + 8)) / u32(u32(at + 8) + 4));
  }
  return tags;
}

/** Resolutions along x and y: tags 282 and 283 in the unit of 296 (2 inch, 3 centimetre). */
function densityOf(tags: ReadonlyMap<number, number>): [number | null, number | null] {
  const unit = tags.get(296) ?? 2;
  const per = unit === 2 ? 1 : unit === 3 ? CM_PER_INCH : 0;
  return [(tags.get(282) ?? 0) * per || null, (tags.get(283) ?? 0) * per || null];
}

function tiffHeader(view: DataView): PictureHeader | null {
  const tags = directory(view);
  const [widthPx, heightPx] = [tags.get(256), tags.get(257)];
  return widthPx === undefined || heightPx === undefined ? null : of('tiff', widthPx, heightPx, ...densityOf(tags));
}

function webpHeader(view: DataView): PictureHeader | null {
  const kind = view.getUint32(12);
  const three = (at: number): number => view.getUint16(at, true) + (view.getUint8(at + 2) << 16);
  if (kind === 0x56503858) return of('webp', three(24) + 1, three(27) + 1, null, null);
  if (kind === 0x56503820)
    return of('webp', view.getUint16(26, true) & 0x3fff, view.getUint16(28, true) & 0x3fff, null, null);
  if (kind === 0x5650384c) {
    const bits = view.getUint32(21, true);
    return of('webp', (bits & 0x3fff) + 1, ((bits >> 14) & 0x3fff) + 1, null, null);
  }
  return null;
}
