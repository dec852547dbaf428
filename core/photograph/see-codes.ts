import { readBarcodes } from 'zxing-wasm/reader';
import type { GreyPicture } from '../trace/grey-picture';
import type { SeenCode } from './find-strips';

/** More codes than this are on no bench. */
const MOST_CODES = 60;

/**
 * The codes in a picture, by a general reader of codes (whoever calls has told it where its program lies). Rows of
 * codes are found standing and lying.
 */
export async function seeCodes({ widthPx, heightPx, grey }: GreyPicture): Promise<SeenCode[]> {
  const data = new Uint8ClampedArray(4 * grey.length);
  for (let i = 0, at = 0; i < grey.length; i++, at += 4) {
    const value = grey[i] as number;
    data[at] = value;
    data[at + 1] = value;
    data[at + 2] = value;
    data[at + 3] = 255;
  }
  const found = await readBarcodes(
    { data, width: widthPx, height: heightPx, colorSpace: 'srgb' },
    { formats: ['QRCode'], tryHarder: true, tryInvert: false, maxNumberOfSymbols: MOST_CODES },
  );
  return found.map(({ text, position: { topLeft, topRight, bottomRight, bottomLeft } }) => ({
    text,
    corners: [topLeft, topRight, bottomRight, bottomLeft].map(({ x, y }) => [x, y] as const),
  }));
}
