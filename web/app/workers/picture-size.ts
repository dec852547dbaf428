export interface PictureSize {
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * Size of a picture from its first bytes, without reading the rest into memory:
 * JPEG (ITU T.81, frame headers C0 to CF), PNG (ISO 15948, IHDR) or WebP (RFC 9649).
 * Null for anything else, such as text that only calls itself .jpg.
 */
export function pictureSize(bytes: Uint8Array): PictureSize | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  try {
    if (bytes[0] === 0xff && bytes[1] === 0xd8) return jpegSize(view);
    if (view.getUint32(0) === 0x89504e47) return { widthPx: view.getUint32(16), heightPx: view.getUint32(20) };
    if (view.getUint32(0) === 0x52494646 && view.getUint32(8) === 0x57454250) return webpSize(view);
  } catch {
    // Cut off before its size was told.
  }
  return null;
}

/** Frame headers: C0 to CF but for C4 (tables), C8 (reserved) and CC (conditioning). */
const isFrame = (marker: number): boolean => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);

function jpegSize(view: DataView): PictureSize | null {
  let at = 2;
  while (at < view.byteLength) {
    if (view.getUint8(at) !== 0xff) return null;
    const marker = view.getUint8(at + 1);
    if (marker === 0xff) at += 1;
    else if (isFrame(marker)) return { heightPx: view.getUint16(at + 5), widthPx: view.getUint16(at + 7) };
    else at += 2 + view.getUint16(at + 2);
  }
  return null;
}

function webpSize(view: DataView): PictureSize | null {
  const kind = view.getUint32(12);
  const three = (at: number): number => view.getUint16(at, true) + (view.getUint8(at + 2) << 16);
  if (kind === 0x56503858) return { widthPx: three(24) + 1, heightPx: three(27) + 1 };
  if (kind === 0x56503820)
    return { widthPx: view.getUint16(26, true) & 0x3fff, heightPx: view.getUint16(28, true) & 0x3fff };
  if (kind === 0x5650384c) {
    const bits = view.getUint32(21, true);
    return { widthPx: (bits & 0x3fff) + 1, heightPx: ((bits >> 14) & 0x3fff) + 1 };
  }
  return null;
}
