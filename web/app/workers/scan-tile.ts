import type { GreyPicture } from '@odontis/core/trace/grey-picture';
import type { TileWanted } from './scan-protocol';
import { TILE_PX } from './scan-protocol';

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
