import { pino } from 'pino';
import type { Logger } from 'pino';
import { createStream } from 'rotating-file-stream';

/** Lines are written so often at the latest, and when there are so many: a write costs more than its words. */
const WRITE_EVERY_MS = 1000;
const MOST_WAITING = 32_768;

/** JSON lines into files that are begun anew when they are large, the older ones kept small and few. */
export function fileLogger(folder: string): Logger & { flushed(): void } {
  const file = createStream('server.log', { path: folder, size: '10M', maxFiles: 5, compress: 'gzip' });
  let waiting = '';
  const flushed = (): void => {
    if (waiting === '') return;
    file.write(waiting);
    waiting = '';
  };
  setInterval(flushed, WRITE_EVERY_MS).unref();
  const write = (line: string): void => {
    waiting += line;
    if (waiting.length > MOST_WAITING) flushed();
  };
  return Object.assign(pino({ level: 'info' }, { write }), { flushed });
}
