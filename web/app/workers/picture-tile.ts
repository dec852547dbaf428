import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import type { TileWanted } from './picture-protocol';
import { TILE_PX } from './picture-protocol';

/** A tile's own pixels as red, green, blue and clear: `null` beyond the picture. Coarser levels take the middle of each block. */
export function tilePixels(picture: GreyPicture, { level, column, row }: TileWanted): ImageData | null {
  const block = 2 ** level;
  const [left, top] = [column * TILE_PX * block, row * TILE_PX * block];
  const width = Math.min(TILE_PX, Math.ceil((picture.widthPx - left) / block));
  const height = Math.min(TILE_PX, Math.ceil((picture.heightPx - top) / block));
  if (width <= 0 || height <= 0 || left < 0 || top < 0) return null;
  const image = new ImageData(width, height);
  const half = block >> 1;
  for (let y = 0, to = 0; y < height; y++) {
    const from = Math.min(picture.heightPx - 1, top + y * block + half) * picture.widthPx;
    for (let x = 0; x < width; x++, to += 4) {
      const grey = picture.grey[from + Math.min(picture.widthPx - 1, left + x * block + half)] as number;
      image.data[to] = grey;
      image.data[to + 1] = grey;
      image.data[to + 2] = grey;
      image.data[to + 3] = 255;
    }
  }
  return image;
}

const JPEG_QUALITY = 0.82;

/** The picture no longer than so many px, every pixel the mean of those it stands for, as a JPEG. */
export function smallJpeg(picture: GreyPicture, longestPx: number): Promise<Blob> {
  const { widthPx, heightPx, grey } = picture;
  const block = Math.max(1, Math.max(widthPx, heightPx) / longestPx);
  const [width, height] = [Math.max(1, Math.floor(widthPx / block)), Math.max(1, Math.floor(heightPx / block))];
  const image = new ImageData(width, height);
  for (let y = 0, to = 0; y < height; y++) {
    const [top, bottom] = [Math.floor(y * block), Math.max(Math.floor(y * block) + 1, Math.floor((y + 1) * block))];
    for (let x = 0; x < width; x++, to += 4) {
      const [left, right] = [Math.floor(x * block), Math.max(Math.floor(x * block) + 1, Math.floor((x + 1) * block))];
      let sum = 0;
      for (let j = top; j < bottom; j++) for (let i = left; i < right; i++) sum += grey[j * widthPx + i] as number;
      image.data.fill(sum / ((bottom - top) * (right - left)), to, to + 3);
      image.data[to + 3] = 255;
    }
  }
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')?.putImageData(image, 0, 0);
  return canvas.convertToBlob({ type: 'image/jpeg', quality: JPEG_QUALITY });
}
