import { computed, inject, Injectable, signal } from '@angular/core';
import type { LengthRow } from '@odontis/contract/csv-held';
import type { LengthReading } from '@odontis/core/evidence/reading';
import { isLength } from '@odontis/core/evidence/reading';
import { withdrawn } from '@odontis/core/evidence/take';
import type { ReadingDoubt } from '@odontis/core/evidence/doubt-reading';
import { doubtReading } from '@odontis/core/evidence/doubt-reading';
import { estimatesOf, standing, unsettled } from '@odontis/core/evidence/estimates';
import type { LengthGauge } from '@odontis/core/evidence/gauges';
import { partsFor, placesOf, quantitiesOf } from '@odontis/core/evidence/quantities';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import { sampleOrder } from '@odontis/core/evidence/sample-plan';
import { EvidenceDesk } from '../../../shared/evidence/evidence-desk';

export interface Asked {
  readonly reading: LengthReading;
  readonly doubt: ReadingDoubt;
}

/** Where the next gauge reading lands, what was taken, what is asked about. None is ever changed, a correction is another. */
@Injectable()
export class GaugeKeeper {
  private readonly sessions = inject(EvidenceDesk);
  readonly dossier = this.sessions.dossier;
  readonly readings = computed(() => this.sessions.readings().filter(isLength));
  readonly gauge = signal<LengthGauge>('straight-edge');
  readonly sampled = signal(false);
  private readonly chosen = signal<LengthQuantity | null>(null);
  private readonly chosenPart = signal<string | null>(null);
  private readonly at = signal<number | null>(null);
  readonly asked = signal<Asked | null>(null);

  readonly quantities = computed(() => {
    const saw = this.dossier()?.saw;
    return saw ? quantitiesOf(saw) : [];
  });
  readonly quantity = computed<LengthQuantity>(() => {
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

  choose(quantity: LengthQuantity): void {
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
  take(valueMm: number, gauge: LengthGauge = this.gauge(), simulated = false): boolean {
    const [saw, place] = [this.dossier()?.saw, this.place()];
    if (!saw || place === null) return false;
    const doubt = doubtReading(saw, this.quantity(), valueMm, place, this.estimates());
    const reading: LengthReading = {
      key: crypto.randomUUID(),
      quantity: this.quantity(),
      part: this.part(),
      place,
      value: valueMm,
      gauge,
      setAside: doubt !== null,
      corrects: null,
      simulated,
    };
    this.sessions.take([reading]);
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
  settle(reading: LengthReading, valueMm: number): void {
    const settled = { ...reading, key: crypto.randomUUID(), value: valueMm, setAside: false, corrects: reading.key };
    this.sessions.take([settled]);
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
    this.sessions.take([withdrawn(last, () => crypto.randomUUID())]);
    this.chosen.set(last.quantity);
    this.chosenPart.set(last.part);
    this.at.set(last.place);
  }

  /** Many at once, as out of a file; the doubtful ones come set aside. */
  takeAll(rows: readonly LengthRow[]): number {
    const saw = this.dossier()?.saw;
    if (!saw) return 0;
    const all: LengthReading[] = [...this.readings()];
    let aside = 0;
    const taken = rows.map(({ valueMm, ...row }): LengthReading => {
      const doubt = doubtReading(saw, row.quantity, valueMm, row.place, estimatesOf(all, row.quantity, row.part));
      const reading: LengthReading = {
        ...row,
        value: valueMm,
        key: crypto.randomUUID(),
        setAside: doubt !== null,
        corrects: null,
        simulated: false,
      };
      if (doubt) aside++;
      all.push(reading);
      return reading;
    });
    this.sessions.take(taken);
    return aside;
  }
}
