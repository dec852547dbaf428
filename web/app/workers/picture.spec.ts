import * as UTIF from 'utif2';
import { madeLine, madeScan } from '@odontis/core/reference/made-scan';
import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import { decodePicture } from './decode-picture';
import { PictureClient, PictureStopped } from './picture-client';
import { TILE_PX } from './picture-protocol';
import { tilePixels } from './picture-tile';

const MADE = madeScan(madeLine({ teeth: 24, pitchMm: 2.54, rakeDeg: -12, unevenMm: 0.1 }), { dpi: 300, skewDeg: 1 });

function coloured(picture: GreyPicture): ImageData {
  const image = new ImageData(picture.widthPx, picture.heightPx);
  picture.grey.forEach((grey, i) => image.data.set([grey, grey, grey, 255], 4 * i));
  return image;
}

async function fileOf(picture: GreyPicture, type: 'image/png' | 'image/jpeg'): Promise<Blob> {
  const canvas = new OffscreenCanvas(picture.widthPx, picture.heightPx);
  canvas.getContext('2d')?.putImageData(coloured(picture), 0, 0);
  return canvas.convertToBlob({ type, quality: 0.98 });
}
const tiffOf = (picture: GreyPicture): Blob =>
  new Blob([UTIF.encodeImage(new Uint8Array(coloured(picture).data), picture.widthPx, picture.heightPx)]);

const worstOff = (a: GreyPicture, b: GreyPicture): number => {
  let worst = 0;
  for (let i = 0; i < a.grey.length; i++)
    worst = Math.max(worst, Math.abs((a.grey[i] as number) - (b.grey[i] as number)));
  return worst;
};

describe('pictures into grey', () => {
  it('PNG and TIFF come in to the level, JPEG nearly so', async () => {
    for (const [file, off] of [
      [await fileOf(MADE.picture, 'image/png'), 1],
      [tiffOf(MADE.picture), 1],
      [await fileOf(MADE.picture, 'image/jpeg'), 40],
    ] as const) {
      const decoded = await decodePicture(file, () => undefined);
      if (!decoded.ok) throw new Error(decoded.code);
      expect([decoded.picture.widthPx, decoded.picture.heightPx]).toEqual([
        MADE.picture.widthPx,
        MADE.picture.heightPx,
      ]);
      expect(worstOff(decoded.picture, MADE.picture)).toBeLessThanOrEqual(off);
    }
  });

  it('what is no picture, or is cut short, is told apart', async () => {
    const png = await fileOf(MADE.picture, 'image/png');
    const cut = await decodePicture(png.slice(0, 300), () => undefined);
    expect(cut.ok ? 'decoded' : cut.code).toBe('cut-short');
    const words = await decodePicture(new Blob(['a saw, in words']), () => undefined);
    expect(words.ok ? 'decoded' : words.code).toBe('not-a-picture');
  });
});

describe('tiles of a scan', () => {
  it('show the picture’s own pixels, coarser ones their blocks’ middles, and nothing beyond it', () => {
    const fine = tilePixels(MADE.picture, { level: 0, column: 1, row: 0 });
    const at = (x: number, y: number): number | undefined => MADE.picture.grey[y * MADE.picture.widthPx + x];
    expect(fine?.data[4 * (fine.width * 5 + 9)]).toBe(at(TILE_PX + 9, 5));
    const coarse = tilePixels(MADE.picture, { level: 2, column: 0, row: 0 });
    expect(coarse?.width).toBe(Math.min(TILE_PX, Math.ceil(MADE.picture.widthPx / 4)));
    expect(coarse?.data[4 * (coarse.width * 3 + 7)]).toBe(at(7 * 4 + 2, 3 * 4 + 2));
    expect(tilePixels(MADE.picture, { level: 0, column: 99, row: 0 })).toBeNull();
  });
});

describe('the scan worker', () => {
  it('opens, reports as it goes, traces the same teeth, and gives tiles', async () => {
    const client = new PictureClient();
    const shares: number[] = [];
    const opened = await client.open(await fileOf(MADE.picture, 'image/png'), (share) => shares.push(share));
    expect(opened.ok).toBeTrue();
    const result = await client.trace({ mmPerPx: MADE.mmPerPx }, (share) => shares.push(share));
    expect(result.ok && result.teeth.length).toBe(24);
    expect(shares.length).toBeGreaterThan(4);
    const tile = await client.tile({ level: 1, column: 0, row: 0 });
    expect(tile?.width).toBeGreaterThan(100);
    tile?.close();
    client.end();
  });

  it('stopped half way it answers nobody with a result', async () => {
    const client = new PictureClient();
    const opening = client.open(await fileOf(MADE.picture, 'image/png'), () => undefined);
    client.end();
    await expectAsync(opening).toBeRejectedWithError(PictureStopped);
  });
});
