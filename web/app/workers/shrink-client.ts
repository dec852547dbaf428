import { Injectable } from '@angular/core';
import type { OnDestroy } from '@angular/core';
import type { Shrunk } from './shrink-protocol';

/** Shrinks photographs off the page's own thread; a worker that failed is thrown away. */
@Injectable({ providedIn: 'root' })
export class ShrinkClient implements OnDestroy {
  private worker: Worker | null = null;
  private next = 0;
  private readonly waiting = new Map<number, (answer: Shrunk) => void>();

  shrink(picture: Blob, longestPx: number, signal?: AbortSignal): Promise<Shrunk> {
    const id = this.next++;
    return new Promise((resolve) => {
      this.waiting.set(id, resolve);
      signal?.addEventListener('abort', () => this.giveUp(), { once: true });
      this.running().postMessage({ id, picture, longestPx });
    });
  }

  private running(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(new URL('./shrink-photograph.worker', import.meta.url), { type: 'module' });
    worker.addEventListener('message', ({ data }: MessageEvent<Shrunk>) => {
      this.waiting.get(data.id)?.(data);
      this.waiting.delete(data.id);
    });
    worker.addEventListener('error', () => this.giveUp());
    this.worker = worker;
    return worker;
  }

  private giveUp(): void {
    this.worker?.terminate();
    this.worker = null;
    for (const [id, answer] of this.waiting) answer({ id, ok: false, code: 'cannot-be-read', pixels: 0 });
    this.waiting.clear();
  }

  ngOnDestroy(): void {
    this.giveUp();
  }
}
