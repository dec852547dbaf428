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
  photographs: {
    key: number;
    value: { intake: string; bytes: ArrayBuffer; caption: string; at: number };
    indexes: { intake: string };
  };
}

/** Photographs of an intake nobody took up again are kept so long. */
const KEPT_MS = 14 * 86_400_000;

/** Photographs of the intake at the counter, kept in the browser until its ticket is open: a reload loses none. */
@Injectable({ providedIn: 'root' })
export class DraftPhotographs {
  readonly all = signal<readonly DraftPhotograph[]>([]);
  private intake = '';
  private store: Promise<IDBPDatabase<Kept>> | null = null;

  private open(): Promise<IDBPDatabase<Kept>> {
    this.store ??= openDB<Kept>('odontis-intakes', 1, {
      upgrade: (db) =>
        void db.createObjectStore('photographs', { autoIncrement: true }).createIndex('intake', 'intake'),
    });
    return this.store;
  }

  /** Show one intake's own, whatever others this browser keeps; what is too old goes. */
  async recall(intake: string): Promise<void> {
    if (intake === this.intake) return;
    this.intake = intake;
    this.all.set([]);
    const store = await this.open();
    const found: DraftPhotograph[] = [];
    for (const id of await store.getAllKeys('photographs')) {
      const kept = await store.get('photographs', id);
      if (!kept) continue;
      if (kept.intake === intake)
        found.push({ id, caption: kept.caption, jpeg: new Blob([kept.bytes], { type: 'image/jpeg' }) });
      else if (Date.now() - kept.at > KEPT_MS) await store.delete('photographs', id);
    }
    if (this.intake === intake) this.all.set(found);
  }

  async add(jpeg: Blob, caption: string): Promise<void> {
    const kept = { intake: this.intake, bytes: await jpeg.arrayBuffer(), caption, at: Date.now() };
    const id = await (await this.open()).add('photographs', kept);
    if (kept.intake === this.intake) this.all.update((all) => [...all, { id, caption, jpeg }]);
  }

  /** One intake's photographs under another's key as well. */
  async copy(from: string, to: string): Promise<void> {
    const store = await this.open();
    for (const kept of await store.getAllFromIndex('photographs', 'intake', from))
      await store.add('photographs', { ...kept, intake: to });
  }

  async remove(id: number): Promise<void> {
    await (await this.open()).delete('photographs', id);
    this.all.update((all) => all.filter((one) => one.id !== id));
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
