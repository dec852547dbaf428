import { Injectable } from '@angular/core';
import type { CodeRead } from './read-code-protocol';

/** Reads codes off the page's own thread. Close it when the camera is put away. */
@Injectable({ providedIn: 'root' })
export class CodeClient {
  private worker: Worker | null = null;
  private next = 0;

  /** The text of the code in the picture; null where none is found. */
  read(picture: ImageData): Promise<string | null> {
    this.worker ??= new Worker(new URL('./read-code.worker', import.meta.url), { type: 'module' });
    const worker = this.worker;
    const id = this.next++;
    return new Promise((resolve, reject) => {
      const hear = ({ data }: MessageEvent<CodeRead>): void => {
        if (data.id !== id) return;
        worker.removeEventListener('message', hear);
        resolve(data.text);
      };
      worker.addEventListener('message', hear);
      worker.addEventListener('error', () => {
        this.close();
        reject(new Error('The code reader does not start here.'));
      });
      worker.postMessage({ id, picture }, [picture.data.buffer]);
    });
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
  }
}
