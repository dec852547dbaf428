import { computed, inject, Injectable, signal } from '@angular/core';
import type { NewGauged } from '@odontis/contract/gauging';
import type { ReadingDoubt } from '@odontis/core/gauge/doubt-reading';
import { doubtReading } from '@odontis/core/gauge/doubt-reading';
import { estimatesOf, standing, unsettled } from '@odontis/core/gauge/gauged';
import type { Gauge } from '@odontis/core/gauge/gauges';
import { partsFor, placesOf, quantitiesOf } from '@odontis/core/gauge/quantities';
import type { Quantity } from '@odontis/core/gauge/quantities';
import { sampleOrder } from '@odontis/core/gauge/sample-plan';
import { SessionKeeper } from './session-keeper';

export interface Asked {
  readonly reading: NewGauged;
  readonly doubt: ReadingDoubt;
}

/** Where the next gauge reading lands, what was taken, what is asked about. None is ever changed, a correction is another. */
@Injectable()
export class GaugeKeeper {
  private readonly sessions = inject(SessionKeeper);
  readonly dossier = this.sessions.dossier;
  readonly readings = this.sessions.readings;
  readonly gauge = signal<Gauge>('straight-edge');
  readonly sampled = signal(false);
  private readonly chosen = signal<Quantity | null>(null);
  private readonly chosenPart = signal<string | null>(null);
  private readonly at = signal<number | null>(null);
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
  readonly estimates = computed(() => estimatesOf(this.readings(), this.quantity(), this.part()));
  /** Where the next reading lands: the place chosen, or the first without one. */
  readonly place = computed<number | null>(() => {
    const [at, order] = [this.at(), this.order()];
    if (at !== null && order.includes(at)) return at;
    const known = new Set(this.estimates().map((e) => e.place));
    return order.find((p) => !known.has(p)) ?? order[order.length - 1] ?? null;
  });
  /** Taken but not counted, and not settled since: still to be looked at. */
  readonly setAside = computed(() => unsettled(this.readings()));

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
    this.sessions.add([reading]);
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
    this.sessions.add([settled]);
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
    const last = standing(this.readings()).at(-1);
    if (!last) return;
    const { key, quantity, part, place, valueMm, gauge } = last;
    this.sessions.add([
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
    this.sessions.add(taken);
    return aside;
  }
}
