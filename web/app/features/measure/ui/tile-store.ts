import { signal } from '@angular/core';
import { TILE_PX } from '../../../workers/picture-protocol';
import type { PictureClient } from '../../../workers/picture-client';
import { PictureStopped } from '../../../workers/picture-client';

/** Tiles kept at once, a megabyte each. */
const MOST_TILES = 96;

/** Parts of one picture as they were last drawn; asked of its worker when they are missed. */
export class TileStore {
  private readonly kept = new Map<string, ImageBitmap | null>();
  private readonly asked = new Set<string>();
  /** Counts up when a tile has come. */
  readonly came = signal(0);

  constructor(private readonly client: PictureClient) {}

  /** The tile if it is here; if not it is on its way. */
  get(level: number, column: number, row: number): ImageBitmap | null {
    const key = `${level}/${column}/${row}`;
    const tile = this.kept.get(key);
    if (tile !== undefined) {
      // Last used goes to the end: the front is let go first.
      this.kept.delete(key);
      this.kept.set(key, tile);
      return tile;
    }
    if (!this.asked.has(key)) void this.ask(key, level, column, row);
    return null;
  }

  private async ask(key: string, level: number, column: number, row: number): Promise<void> {
    this.asked.add(key);
    try {
      this.kept.set(key, await this.client.tile({ level, column, row }));
      for (const [oldest, tile] of this.kept) {
        if (this.kept.size <= MOST_TILES) break;
        tile?.close();
        this.kept.delete(oldest);
      }
      this.came.update((n) => n + 1);
    } catch (error) {
      if (!(error instanceof PictureStopped)) throw error;
    } finally {
      this.asked.delete(key);
    }
  }

  close(): void {
    for (const tile of this.kept.values()) tile?.close();
    this.kept.clear();
  }
}

export { TILE_PX };
