import { computed, inject, Injectable, signal } from '@angular/core';
import type { BenchEvent, BenchState } from '@odontis/contract/bench';
import type { DBSchema, IDBPDatabase } from 'idb';
import { openDB } from 'idb';
import { Store } from '@ngrx/store';
import { firstValueFrom } from 'rxjs';
import type { Refusal } from '../../../shared/api/refusal';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { doorFeature } from '../../../shared/state/door.feature';
import type { Press } from './press-notes';
import { noteDown, notedOf, strikeOut } from './press-notes';

/** Its place on the browser's disk, once it is there; pages of before left the sitting out. */
type KeptPress = Readonly<Omit<Press, 'sitting'> & { seq?: number; sitting?: string | null }>;

interface Drawer extends DBSchema {
  presses: { key: number; value: KeptPress; indexes: { ticket: number } };
}

/** Refusals that are of no press: it is kept, and sent again by itself. */
const PASSING: ReadonlySet<Refusal['code']> = new Set([
  'away',
  'database-away',
  'disk-full',
  'busy',
  'unexpected',
  'not-signed-in',
  'locked',
  'too-often',
]);

/** Tried again this long after the server did not answer. */
const AGAIN_MS = 2500;

/**
 * Presses of the key at the vise: kept in the browser first, sent in order as
 * soon as the server answers. Each carries its own id, so that sending again
 * after a lost answer doubles nothing.
 */
@Injectable()
export class BenchQueue {
  private readonly api = inject(ShopApi);
  private readonly sitting = inject(Store).selectSignal(doorFeature.selectSittingKey);
  private readonly drawer: Promise<IDBPDatabase<Drawer>> = openDB<Drawer>('odontis-bench', 1, {
    upgrade: (db) => {
      db.createObjectStore('presses', { keyPath: 'seq', autoIncrement: true }).createIndex('ticket', 'ticketId');
    },
    // A newer page that wants the drawer changed is not held up by this one.
    blocking: (_now, _wanted, event) => (event.target as IDBDatabase).close(),
  });
  private readonly waiting = signal<readonly KeptPress[]>([]);
  readonly unsent = computed(() => this.waiting().map((press) => press.event));
  readonly away = signal(false);
  readonly refusal = signal<Refusal | null>(null);
  private ticketId = 0;
  private planId = 0;
  private sending = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private caughtUp: (state: BenchState) => void = () => undefined;

  /** Take up what a reload or a dead battery left behind, then keep sending. */
  async open(ticketId: number, planId: number, caughtUp: (state: BenchState) => void): Promise<void> {
    this.caughtUp = caughtUp;
    if (this.ticketId === ticketId && this.planId === planId) return;
    this.ticketId = ticketId;
    this.planId = planId;
    // What a page that went in that very moment had no time to put on the disk.
    const noted = notedOf(ticketId);
    const db = await this.drawer;
    const left: KeptPress[] = await db.getAllFromIndex('presses', 'ticket', ticketId);
    const onDisk = new Set(left.map((p) => p.event.id));
    for (const press of noted.filter((p) => p.planId === planId && !onDisk.has(p.event.id)))
      left.push({ ...press, seq: await db.add('presses', press) });
    strikeOut(new Set(noted.map((p) => p.event.id)));
    void this.sendLate(left.filter((p) => p.planId !== planId));
    // What was pressed while the drawer was being read comes after what was in it.
    const kept = left.filter((p) => p.planId === planId);
    const known = new Set(kept.map((p) => p.event.id));
    this.waiting.update((now) => [...kept, ...now.filter((p) => p.planId === planId && !known.has(p.event.id))]);
    if (this.waiting().length > 0) void this.send();
  }

  async press(planId: number, event: BenchEvent): Promise<void> {
    const press = { ticketId: this.ticketId, planId, event, sitting: this.sitting() };
    // On the screen and noted at once; on the disk before it is sent.
    this.waiting.update((list) => [...list, press]);
    noteDown(press);
    const seq = await (await this.drawer).add('presses', press);
    strikeOut(new Set([event.id]));
    this.waiting.update((list) => list.map((p) => (p === press ? { ...press, seq } : p)));
    void this.send();
  }

  /** Presses of an order that is not the newest any more are deeds all the same: they go to the order they were of. */
  private async sendLate(presses: readonly KeptPress[]): Promise<void> {
    const db = await this.drawer;
    for (const press of presses) {
      try {
        const events = { planId: press.planId, events: [press.event] };
        await firstValueFrom(this.api.bench(press.ticketId, events, press.sitting ?? null));
      } catch (error) {
        // Sent again with the next opening; what is refused for good is of no order that stands.
        if (PASSING.has(toRefusal(error).code)) return;
      }
      if (press.seq !== undefined) await db.delete('presses', press.seq);
    }
  }

  /** What others have done at this saw since; nothing is asked while presses of this screen wait. */
  async look(): Promise<void> {
    if (this.ticketId === 0 || this.sending || this.waiting().length > 0) return;
    try {
      this.caughtUp(await firstValueFrom(this.api.bench(this.ticketId, { planId: this.planId, events: [] }, null)));
    } catch {
      // Looked at again in a while.
    }
  }

  close(): void {
    clearTimeout(this.timer);
    this.ticketId = 0;
    this.planId = 0;
    void this.drawer.then((db) => db.close());
  }

  private async send(): Promise<void> {
    clearTimeout(this.timer);
    if (this.sending || this.ticketId === 0) return;
    const kept = this.waiting().filter((p) => p.seq !== undefined);
    const first = kept[0];
    if (!first) return;
    // In order, and one sitting after the other: each press is of who sat there.
    const others = kept.findIndex((p) => p.sitting !== first.sitting);
    const batch = others < 0 ? kept : kept.slice(0, others);
    this.sending = true;
    try {
      const state = await firstValueFrom(
        this.api.bench(
          first.ticketId,
          { planId: first.planId, events: batch.map((p) => p.event) },
          first.sitting ?? null,
        ),
      );
      const db = await this.drawer;
      for (const press of batch) await db.delete('presses', press.seq as number);
      // First what the server now holds, then out of the waiting list: the place never jumps back.
      this.caughtUp(state);
      const sent = new Set(batch.map((p) => p.seq));
      this.waiting.update((list) => list.filter((p) => !sent.has(p.seq)));
      this.away.set(false);
      this.refusal.set(null);
    } catch (error) {
      const refusal = toRefusal(error);
      const passing = PASSING.has(refusal.code);
      this.away.set(passing);
      if (!passing) this.refusal.set(refusal);
      else this.timer = setTimeout(() => void this.send(), AGAIN_MS);
    } finally {
      this.sending = false;
    }
    if (!this.away() && this.refusal() === null && this.waiting().some((p) => p.seq !== undefined)) void this.send();
  }
}
