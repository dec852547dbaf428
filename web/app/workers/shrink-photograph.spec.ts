import { shrinkWords } from '../shared/photographs/shrink-words';
import { pictureHeader } from '@odontis/core/trace/picture-header';
import { MOST_PIXELS, shrinkPhotograph } from './shrink-photograph';

const picture = async (type: string, width: number, height: number): Promise<Blob> => {
  const canvas = new OffscreenCanvas(width, height);
  const pen = canvas.getContext('2d') as OffscreenCanvasRenderingContext2D;
  pen.fillStyle = '#888';
  pen.fillRect(0, 0, width, height);
  pen.fillStyle = '#c30';
  pen.fillRect(0, 0, width / 2, height / 2);
  return canvas.convertToBlob({ type });
};
const bytesOf = async (blob: Blob): Promise<Uint8Array<ArrayBuffer>> => new Uint8Array(await blob.arrayBuffer());

/** The camera's notes with a place in them, put in after the first two bytes as cameras do (EXIF 2.3, APP1). */
const withPlace = async (jpeg: Blob): Promise<Blob> => {
  const note = new TextEncoder().encode('Exif\0\0GPSLatitude 54.32 GPSLongitude -3.21');
  const bytes = await bytesOf(jpeg);
  const head = new Uint8Array([0xff, 0xe1, (note.length + 2) >> 8, (note.length + 2) & 255]);
  return new Blob([bytes.slice(0, 2), head, note, bytes.slice(2)], { type: 'image/jpeg' });
};

describe('a photograph made small', () => {
  it('its size is found in its first bytes, whichever of three formats it is', async () => {
    for (const type of ['image/jpeg', 'image/png', 'image/webp']) {
      const bytes = await bytesOf(await picture(type, 123, 45));
      expect(pictureHeader(bytes))
        .withContext(type)
        .toEqual(jasmine.objectContaining({ widthPx: 123, heightPx: 45 }));
      expect(pictureHeader(bytes.slice(0, 9)))
        .withContext(type)
        .toBeNull();
    }
    expect(pictureHeader(new TextEncoder().encode('a saw, as told over the telephone'))).toBeNull();
    expect(pictureHeader(new Uint8Array())).toBeNull();
  });
  it('comes out with its longer side as wanted, and without the camera’s notes', async () => {
    const placed = await withPlace(await picture('image/jpeg', 2400, 1200));
    expect(new TextDecoder('latin1').decode(await bytesOf(placed))).toContain('GPSLatitude');
    const answer = await shrinkPhotograph({ id: 4, picture: placed, longestPx: 600 });
    expect(answer).toEqual(
      jasmine.objectContaining({ id: 4, ok: true, widthPx: 600, heightPx: 300, fromPixels: 2_880_000 }),
    );
    if (!answer.ok) return;
    const text = new TextDecoder('latin1').decode(await bytesOf(answer.jpeg));
    expect(text).not.toContain('Exif');
    expect(text).not.toContain('GPS');
    expect(shrinkWords('saw.jpg', answer)).toContain('from 2.9 to 0.2 million pixels');
  });
  it('a small one stays its size and nothing is said', async () => {
    const answer = await shrinkPhotograph({ id: 1, picture: await picture('image/png', 60, 40), longestPx: 600 });
    expect(answer).toEqual(jasmine.objectContaining({ ok: true, widthPx: 60, heightPx: 40 }));
    expect(shrinkWords('saw.png', answer)).toBe('');
  });
  it('text that calls itself a picture, a picture cut off, and one too large each get their sentence', async () => {
    const text = await shrinkPhotograph({
      id: 1,
      picture: new Blob(['not a picture'], { type: 'image/jpeg' }),
      longestPx: 600,
    });
    expect(shrinkWords('saw.jpg', text)).toMatch(/is no picture, whatever its name says/);
    const png = await bytesOf(await picture('image/png', 60, 40));
    const cut = await shrinkPhotograph({ id: 1, picture: new Blob([png.slice(0, 40)]), longestPx: 600 });
    expect(shrinkWords('saw.png', cut)).toMatch(/cannot be read/);
    const view = new DataView(png.buffer);
    view.setUint32(16, 40_000);
    view.setUint32(20, 40_000);
    const huge = await shrinkPhotograph({ id: 1, picture: new Blob([png]), longestPx: 600 });
    expect(huge).toEqual(jasmine.objectContaining({ ok: false, code: 'too-many-pixels' }));
    expect(40_000 * 40_000).toBeGreaterThan(MOST_PIXELS);
    expect(shrinkWords('saw.png', huge)).toMatch(/1600 million pixels/);
  });
});
