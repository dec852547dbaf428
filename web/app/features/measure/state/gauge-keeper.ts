import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Gauging, NewGauged } from '@odontis/contract/gauging';
import type { MeasuringKind } from '@odontis/contract/readings';
import type { ReadingDoubt } from '@odontis/core/gauge/doubt-reading';
import { doubtReading } from '@odontis/core/gauge/doubt-reading';
import { estimatesOf } from '@odontis/core/gauge/gauged';
import type { Gauge } from '@odontis/core/gauge/gauges';
import { partsFor, placesOf, quantitiesOf } from '@odontis/core/gauge/quantities';
import type { Quantity } from '@odontis/core/gauge/quantities';
import { sampleOrder } from '@odontis/core/gauge/sample-plan';
import { ticketFeature, TicketPageEvents } from '../../../shared/state/ticket.feature';
import { keepPending, recallPending } from './pending-gauged';

/** After a refusal that was no fault of the readings, the next try waits so long. */
const AGAIN_MS = 4000;

export interface Asked {
  readonly reading: NewGauged;
  readonly doubt: ReadingDoubt;
}

/**
 * The session of gauge readings that is going on: where the next reading lands, what
 * was taken, what is asked about. Readings are kept in the browser until the server
 * has them; none is ever changed, a correction is another.
 */
@Injectable()
export class GaugeKeeper {
  private readonly store = inject(Store);
  readonly dossier = this.store.selectSignal(ticketFeature.selectDossier);
  private readonly busy = this.store.selectSignal(ticketFeature.selectBusy);
  readonly refusal = this.store.selectSignal(ticketFeature.selectRefusal);
  readonly kind = signal<MeasuringKind>('before');
  readonly gauge = signal<Gauge>('straight-edge');
  readonly sampled = signal(false);
  private readonly chosen = signal<Quantity | null>(null);
  private readonly chosenPart = signal<string | null>(null);
  private readonly at = signal<number | null>(null);
  private readonly pending = signal<readonly NewGauged[]>([]);
  readonly asked = signal<Asked | null>(null);

  readonly quantities = computed(() => {
    const saw = this.dossier()?.saw;
    return saw ? quantitiesOf(saw) : [];
  });
  readonly quantity = computed<Quantity>(() => {
    const [chosen, all] = [this.chosen(), this.quantities()];
    return chosen && all.includes(chosen) ? chosen : (all[0] ?? 'height');
  });
  readonly parts = computed(() => {
    const saw = this.dossier()?.saw;
    return saw ? partsFor(saw, this.quantity()) : [null];
  });
  readonly part = computed(() => {
    const [chosen, all] = [this.chosenPart(), this.parts()];
    return all.includes(chosen) ? chosen : (all[0] ?? null);
  });
  readonly places = computed(() => {
    const saw = this.dossier()?.saw;
    return saw ? placesOf(saw, this.quantity(), this.part()) : [];
  });
  /** The order they are taken in. */
  readonly order = computed(() => (this.sampled() ? sampleOrder(this.places()) : this.places()));
  readonly session = computed<Gauging | null>(
    () => this.dossier()?.gaugings.findLast((g) => g.kind === this.kind() && g.finishedAt === null) ?? null,
  );
  readonly finished = computed(() => this.dossier()?.gaugings.filter((g) => g.finishedAt !== null) ?? []);
  readonly readings = computed<readonly NewGauged[]>(() => {
    const kept = this.session()?.readings ?? [];
    const here = new Set(kept.map((r) => r.key));
    return [...kept, ...this.pending().filter((r) => !here.has(r.key))];
  });
  readonly estimates = computed(() => estimatesOf(this.readings(), this.quantity(), this.part()));
  readonly unsent = computed(() => {
    const here = new Set(this.session()?.readings.map((r) => r.key) ?? []);
    return this.pending().filter((r) => !here.has(r.key));
  });
  /** Where the next reading lands: the place chosen, or the first without one. */
  readonly place = computed<number | null>(() => {
    const [at, order] = [this.at(), this.order()];
    if (at !== null && order.includes(at)) return at;
    const known = new Set(this.estimates().map((e) => e.place));
    return order.find((p) => !known.has(p)) ?? order[order.length - 1] ?? null;
  });
  /** Taken but not counted, and not settled since: still to be looked at. */
  readonly setAside = computed(() => {
    const settled = new Set(this.readings().map((r) => r.corrects));
    return this.readings().filter((r) => r.setAside && !settled.has(r.key) && r.corrects === null);
  });

  constructor() {
    effect(() => {
      const id = this.dossier()?.ticket.id;
      if (id !== undefined) untracked(() => this.pending().length === 0 && this.pending.set(recallPending(id)));
    });
    effect((onCleanup) => {
      const [unsent, busy, refusal, session] = [this.unsent(), this.busy(), this.refusal(), this.session()];
      const id = untracked(this.dossier)?.ticket.id;
      if (id === undefined) return;
      keepPending(id, unsent);
      if (unsent.length === 0 || busy || refusal?.code === 'bad-input') return;
      const timer = setTimeout(() => this.send(id, session, unsent), refusal ? AGAIN_MS : 0);
      onCleanup(() => clearTimeout(timer));
    });
  }

  private send(id: number, session: Gauging | null, readings: readonly NewGauged[]): void {
    if (session) this.store.dispatch(TicketPageEvents.gaugedAdded({ id, session: session.id, readings }));
    else
      this.store.dispatch(
        TicketPageEvents.gaugingOpened({ id, gauging: { key: crypto.randomUUID(), kind: this.kind() } }),
      );
  }

  choose(quantity: Quantity): void {
    this.chosen.set(quantity);
    this.at.set(null);
    this.asked.set(null);
  }

  choosePart(part: string | null): void {
    this.chosenPart.set(part);
    this.at.set(null);
  }

  goTo(place: number): void {
    this.at.set(place);
  }

  back(): void {
    const order = this.order();
    const here = order.indexOf(this.place() ?? NaN);
    this.at.set(order[Math.max(0, here - 1)] ?? null);
  }

  next(): void {
    const order = this.order();
    const here = order.indexOf(this.place() ?? NaN);
    this.at.set(order[Math.min(order.length - 1, here + 1)] ?? null);
  }

  /** A reading at the present place, then on. A doubtful one is kept, set aside, and asked about. True where it counts. */
  take(valueMm: number, gauge: Gauge = this.gauge()): boolean {
    const [saw, place] = [this.dossier()?.saw, this.place()];
    if (!saw || place === null) return false;
    const doubt = doubtReading(saw, this.quantity(), valueMm, place, this.estimates());
    const reading: NewGauged = {
      key: crypto.randomUUID(),
      quantity: this.quantity(),
      part: this.part(),
      place,
      valueMm,
      gauge,
      setAside: doubt !== null,
      corrects: null,
    };
    this.pending.update((all) => [...all, reading]);
    this.asked.set(doubt && { reading, doubt });
    if (!doubt) this.onFrom(place);
    return doubt === null;
  }

  /** Stays at a place for a repeat; moves on after the first reading there. */
  private onFrom(place: number): void {
    const order = this.order();
    this.at.set(order[order.indexOf(place) + 1] ?? null);
  }

  /** What was set aside counts after all, as it is or as it was meant. */
  settle(reading: NewGauged, valueMm: number): void {
    const settled = { ...reading, key: crypto.randomUUID(), valueMm, setAside: false, corrects: reading.key };
    this.pending.update((all) => [...all, settled]);
    this.asked.set(null);
    this.onFrom(reading.place);
  }

  /** It stays aside; the place is measured again. */
  leaveAside(): void {
    const asked = this.asked();
    this.asked.set(null);
    if (asked) this.at.set(asked.reading.place);
  }

  /** Takes the last reading that counts out of the count: it stays in the record. */
  takeBack(): void {
    const corrected = new Set(this.readings().map((r) => r.corrects));
    const last = this.readings().findLast((r) => !r.setAside && !corrected.has(r.key));
    if (!last) return;
    const { key, quantity, part, place, valueMm, gauge } = last;
    this.pending.update((all) => [
      ...all,
      { key: crypto.randomUUID(), quantity, part, place, valueMm, gauge, setAside: true, corrects: key },
    ]);
    this.chosen.set(quantity);
    this.chosenPart.set(part);
    this.at.set(place);
  }

  /** Many at once, as out of a file; the doubtful ones come set aside. */
  takeAll(rows: readonly Pick<NewGauged, 'quantity' | 'part' | 'place' | 'valueMm' | 'gauge'>[]): number {
    const saw = this.dossier()?.saw;
    if (!saw) return 0;
    const all: NewGauged[] = [...this.readings()];
    let aside = 0;
    const taken = rows.map((row): NewGauged => {
      const doubt = doubtReading(saw, row.quantity, row.valueMm, row.place, estimatesOf(all, row.quantity, row.part));
      const reading = { ...row, key: crypto.randomUUID(), setAside: doubt !== null, corrects: null };
      if (doubt) aside++;
      all.push(reading);
      return reading;
    });
    this.pending.update((old) => [...old, ...taken]);
    return aside;
  }

  finish(note: string): void {
    const [id, session] = [this.dossier()?.ticket.id, this.session()];
    if (id !== undefined && session && this.unsent().length === 0)
      this.store.dispatch(TicketPageEvents.gaugingFinished({ id, session: session.id, note }));
  }
}
