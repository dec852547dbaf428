import type { Glimpse } from '@odontis/core/photograph/glimpse';
import type { TraceWish } from '@odontis/core/trace/trace-teeth';
import type { TraceResult } from '@odontis/core/trace/traced-line';
import type { Opened, PictureWish, ScanAnswer, ScanWanted, TileWanted } from './picture-protocol';

type Answer<Is extends ScanAnswer['is']> = Extract<ScanAnswer, { is: Is }>;
/** Without its id, each kind of wish for itself. */
type Asked = ScanWanted extends infer One ? (One extends ScanWanted ? Omit<One, 'id'> : never) : never;

/** The worker was ended, by hand or by a fault of its own: nothing more comes of what was asked. */
export class PictureStopped extends Error {}

/** One picture in one worker: opened, traced, shown in tiles. Ending it stops whatever runs and gives its memory back. */
export class PictureClient {
  private readonly worker = new Worker(new URL('./picture.worker', import.meta.url), { type: 'module' });
  private next = 0;
  private readonly waiting = new Map<
    number,
    { done: (answer: ScanAnswer) => void; stopped: (why: PictureStopped) => void; progress: (share: number) => void }
  >();

  constructor() {
    this.worker.addEventListener('message', ({ data }: MessageEvent<ScanAnswer>) => {
      const asked = this.waiting.get(data.id);
      if (data.is === 'progress') asked?.progress(data.share);
      else {
        this.waiting.delete(data.id);
        asked?.done(data);
      }
    });
    this.worker.addEventListener('error', (event) => this.end(event.message));
  }

  open(file: Blob, progress: (share: number) => void, wish: PictureWish = {}): Promise<Opened> {
    return this.ask<'opened'>({ do: 'open', file, wish }, progress).then((a) => a.opened);
  }

  trace(wish: Omit<TraceWish, 'report'>, progress: (share: number) => void): Promise<TraceResult> {
    return this.ask<'traced'>({ do: 'trace', wish }, progress).then((a) => a.result);
  }

  /** What a camera's frame shows of the strips; the frame goes over to the worker. */
  glimpse(frame: ImageBitmap, pitchMm: number): Promise<Glimpse> {
    return this.ask<'glimpsed'>({ do: 'glimpse', frame, pitchMm }, undefined, [frame]).then((a) => a.glimpse);
  }

  tile(tile: TileWanted): Promise<ImageBitmap | null> {
    return this.ask<'tile'>({ do: 'tile', tile }).then((a) => a.bitmap);
  }

  /** The picture as it is shown, made small, to be kept beside what was measured from it; null where none is open. */
  keep(longestPx: number): Promise<Blob | null> {
    return this.ask<'kept'>({ do: 'keep', longestPx }).then((a) => a.jpeg);
  }

  end(why = 'stopped'): void {
    this.worker.terminate();
    for (const asked of this.waiting.values()) asked.stopped(new PictureStopped(why));
    this.waiting.clear();
  }

  private ask<Is extends ScanAnswer['is']>(
    asked: Asked,
    progress: (share: number) => void = () => undefined,
    transfer: Transferable[] = [],
  ): Promise<Answer<Is>> {
    const id = this.next++;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { done: (answer) => resolve(answer as Answer<Is>), stopped: reject, progress });
      this.worker.postMessage({ ...asked, id }, transfer);
    });
  }
}
