import { atWeld } from '@odontis/core/band/away-from-weld';
import { teethOf } from '@odontis/core/saw/saw';
import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withProps, withState } from '@ngrx/signals';
import type { LengthRow } from '@odontis/contract/csv-held';
import type { LengthReading } from '@odontis/core/evidence/reading';
import { isLength } from '@odontis/core/evidence/reading';
import { withdrawn } from '@odontis/core/evidence/take';
import type { ReadingDoubt } from '@odontis/core/evidence/doubt-reading';
import { doubtReading } from '@odontis/core/evidence/doubt-reading';
import { estimatesOf, standing, unsettled } from '@odontis/core/evidence/estimates';
import type { LengthGauge } from '@odontis/core/evidence/gauges';
import { partsFor, placesOf, QUANTITY_FACTS, quantitiesOf } from '@odontis/core/evidence/quantities';
import type { LengthQuantity } from '@odontis/core/evidence/quantities';
import { sampleOrder } from '@odontis/core/evidence/sample-plan';
import { EvidenceDesk } from '../evidence/evidence-desk';

export interface Asked {
  readonly reading: LengthReading;
  readonly doubt: ReadingDoubt;
}

interface GaugeState {
  /** What a quantity is read with here, where it is not its usual gauge. */
  readonly gauges: Readonly<Partial<Record<LengthQuantity, LengthGauge>>>;
  /** Places are taken spread all round, not in turn. */
  readonly sampled: boolean;
  readonly chosen: LengthQuantity | null;
  readonly chosenPart: string | null;
  /** The place chosen; null: the first without a reading. */
  readonly at: number | null;
  readonly asked: Asked | null;
}
const initial: GaugeState = {
  gauges: {},
  sampled: false,
  chosen: null,
  chosenPart: null,
  at: null,
  asked: null,
};

/** Where the next gauge reading lands, what was taken, what is asked about. None is ever changed, a correction is another. */
export const GaugeKeeper = signalStore(
  withState(initial),
  withProps(() => {
    const sessions = inject(EvidenceDesk);
    return { sessions, dossier: sessions.dossier };
  }),
  withComputed(({ sessions, dossier, gauges, sampled, chosen, chosenPart, at }) => {
    const readings = computed(() => sessions.readings().filter(isLength));
    const quantities = computed(() => {
      const saw = dossier()?.saw;
      return saw ? quantitiesOf(saw) : [];
    });
    const quantity = computed<LengthQuantity>(() => {
      const [wanted, all] = [chosen(), quantities()];
      return wanted && all.includes(wanted) ? wanted : (all[0] ?? 'height');
    });
    const parts = computed(() => {
      const saw = dossier()?.saw;
      return saw ? partsFor(saw, quantity()) : [null];
    });
    const part = computed(() => {
      const [wanted, all] = [chosenPart(), parts()];
      return all.includes(wanted) ? wanted : (all[0] ?? null);
    });
    const places = computed(() => {
      const saw = dossier()?.saw;
      return saw ? placesOf(saw, quantity(), part()) : [];
    });
    const order = computed(() => {
      if (!sampled()) return places();
      const saw = dossier()?.saw;
      // The weld's own place is no sample of a band.
      const own = saw?.family === 'band' ? places().filter((place) => !atWeld(place, teethOf(saw))) : places();
      return sampleOrder(own);
    });
    const estimates = computed(() => estimatesOf(readings(), quantity(), part()));
    return {
      readings,
      /** Taken at a station along the plate, not at a tooth. */
      atStation: computed(() => QUANTITY_FACTS[quantity()].place === 'station'),
      quantities,
      quantity,
      gauge: computed<LengthGauge>(() => gauges()[quantity()] ?? QUANTITY_FACTS[quantity()].gauge),
      parts,
      part,
      places,
      /** The order they are taken in. */
      order,
      estimates,
      /** Where the next reading lands: the place chosen, or the first without one. */
      place: computed<number | null>(() => {
        const [wanted, all] = [at(), order()];
        if (wanted !== null && all.includes(wanted)) return wanted;
        const known = new Set(estimates().map((e) => e.place));
        return all.find((p) => !known.has(p)) ?? all[all.length - 1] ?? null;
      }),
      /** Taken but not counted, and not settled since: still to be looked at. */
      setAside: computed(() => unsettled(readings())),
    };
  }),
  withMethods((keeper) => {
    const goTo = (at: number | null): void => patchState(keeper, { at });
    const step = (by: 1 | -1): void => {
      const order = keeper.order();
      const here = order.indexOf(keeper.place() ?? NaN);
      goTo(order[Math.max(0, Math.min(order.length - 1, here + by))] ?? null);
    };
    /** Stays at a place for a repeat; moves on after the first reading there. */
    const onFrom = (place: number): void => {
      const order = keeper.order();
      goTo(order[order.indexOf(place) + 1] ?? null);
    };
    return {
      chooseGauge: (gauge: LengthGauge): void =>
        patchState(keeper, ({ gauges }) => ({ gauges: { ...gauges, [keeper.quantity()]: gauge } })),
      sample: (sampled: boolean): void => patchState(keeper, { sampled }),
      choose: (chosen: LengthQuantity): void => patchState(keeper, { chosen, at: null, asked: null }),
      choosePart: (chosenPart: string | null): void => patchState(keeper, { chosenPart, at: null }),
      goTo: (place: number): void => goTo(place),
      back: (): void => step(-1),
      next: (): void => step(1),

      /** A reading at the present place, then on. A doubtful one is kept, set aside, and asked about. True where it counts. */
      take(valueMm: number, gauge: LengthGauge = keeper.gauge(), simulated = false): boolean {
        const [saw, place] = [keeper.dossier()?.saw, keeper.place()];
        if (!saw || place === null) return false;
        const doubt = doubtReading(saw, keeper.quantity(), valueMm, place, keeper.estimates());
        const reading: LengthReading = {
          key: crypto.randomUUID(),
          quantity: keeper.quantity(),
          part: keeper.part(),
          place,
          value: valueMm,
          gauge,
          setAside: doubt !== null,
          corrects: null,
          simulated,
        };
        keeper.sessions.take([reading]);
        patchState(keeper, { asked: doubt && { reading, doubt } });
        if (!doubt) onFrom(place);
        return doubt === null;
      },

      /** What was set aside counts after all, as it is or as it was meant. */
      settle(reading: LengthReading, valueMm: number): void {
        const settled = {
          ...reading,
          key: crypto.randomUUID(),
          value: valueMm,
          setAside: false,
          corrects: reading.key,
        };
        keeper.sessions.take([settled]);
        patchState(keeper, { asked: null });
        onFrom(reading.place);
      },

      /** It stays aside; the place is measured again. */
      leaveAside(): void {
        const asked = keeper.asked();
        patchState(keeper, { asked: null, ...(asked && { at: asked.reading.place }) });
      },

      /** Takes the last reading that counts out of the count: it stays in the record. */
      takeBack(): void {
        const last = standing(keeper.readings()).at(-1);
        if (!last) return;
        keeper.sessions.take([withdrawn(last, () => crypto.randomUUID())]);
        patchState(keeper, { chosen: last.quantity, chosenPart: last.part, at: last.place });
      },

      /** Many at once, as out of a file; the doubtful ones come set aside. */
      takeAll(rows: readonly LengthRow[]): number {
        const saw = keeper.dossier()?.saw;
        if (!saw) return 0;
        const all: LengthReading[] = [...keeper.readings()];
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
        keeper.sessions.take(taken);
        return aside;
      },
    };
  }),
);
export type GaugeKeeper = InstanceType<typeof GaugeKeeper>;
