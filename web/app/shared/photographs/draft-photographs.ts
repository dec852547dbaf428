import { Injectable, signal } from '@angular/core';
import type { DBSchema, IDBPDatabase } from 'idb';
import { openDB } from 'idb';

/** A photograph taken before there is a ticket to put it on. */
export interface DraftPhotograph {
  readonly id: number;
  readonly caption: string;
  readonly jpeg: Blob;
}

interface Kept extends DBSchema {
  photographs: { key: number; value: { bytes: ArrayBuffer; caption: string } };
}

/** Photographs of the intake at the counter, kept in the browser until its ticket is open: a reload loses none. */
@Injectable({ providedIn: 'root' })
export class DraftPhotographs {
  readonly all = signal<readonly DraftPhotograph[]>([]);
  private store: Promise<IDBPDatabase<Kept>> | null = null;

  private open(): Promise<IDBPDatabase<Kept>> {
    this.store ??= openDB<Kept>('odontis-counter', 1, {
      upgrade: (db) => void db.createObjectStore('photographs', { autoIncrement: true }),
    });
    return this.store;
  }

  async recall(): Promise<void> {
    const store = await this.open();
    const keys = await store.getAllKeys('photographs');
    const found: DraftPhotograph[] = [];
    for (const id of keys) {
      const kept = await store.get('photographs', id);
      if (kept) found.push({ id, caption: kept.caption, jpeg: new Blob([kept.bytes], { type: 'image/jpeg' }) });
    }
    this.all.set(found);
  }

  async add(jpeg: Blob, caption: string): Promise<void> {
    const id = await (await this.open()).add('photographs', { bytes: await jpeg.arrayBuffer(), caption });
    this.all.update((all) => [...all, { id, caption, jpeg }]);
  }

  async remove(id: number): Promise<void> {
    await (await this.open()).delete('photographs', id);
    this.all.update((all) => all.filter((one) => one.id !== id));
  }

  async clear(): Promise<void> {
    await (await this.open()).clear('photographs');
    this.all.set([]);
  }
}

/** Bytes of a picture as the wire takes them. */
export async function base64Of(jpeg: Blob): Promise<string> {
  const url = await new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(reader.error ?? new Error('The photograph cannot be read.'));
    reader.readAsDataURL(jpeg);
  });
  return url.slice(url.indexOf(',') + 1);
}
