import type { Signal } from '@angular/core';
import { computed, effect, inject, signal, untracked } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { Store } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import type { RackRow } from '@odontis/contract/ticket';
import type { RoundTurn, SawInRound } from '@odontis/core/work/bench-round';
import { turnOf } from '@odontis/core/work/bench-round';
import type { Step, WalkStop } from '@odontis/core/work/step';
import { walkOf } from '@odontis/core/work/step';
import { catchError, forkJoin, of } from 'rxjs';
import { recall, remember } from '../../../shared/api/remembered';
import { ShopApi } from '../../../shared/api/shop-api';
import { shopFeature } from '../../../shared/state/shop.feature';
import { ticketFeature } from '../../../shared/state/ticket.feature';
import { goneOf, placeOf } from '../data/bench-place';
import { BenchQueue } from '../data/bench-queue';
import type { Standing } from '../data/standing';

/** Another saw of the round: where its work stands. */
export interface SawBeside {
  readonly id: number;
  readonly number: number;
  readonly name: string;
  readonly steps: readonly Step[];
  /** The first stop not done; null where all are. */
  readonly stop: WalkStop | null;
}

interface RoundState {
  readonly rows: readonly RackRow[];
  /** Saws worked together with the present one, by their tickets; it is among them. Empty: each by itself. */
  readonly members: readonly number[];
  readonly beside: readonly SawBeside[];
}
const initial: RoundState = { rows: [], members: [], beside: [] };

const besideOf = ({ ticket, saw, plan }: Dossier): SawBeside => {
  const steps = plan?.order.steps ?? [];
  const walk = walkOf(steps);
  const stop = walk[placeOf(walk.length, new Set(plan ? goneOf(plan) : []))] ?? null;
  return { id: ticket.id, number: ticket.number, name: saw.name, steps, stop };
};

/** Several saws at the bench, one operation over all of them before the next; each keeps its own place. */
export const RoundKeeper = signalStore(
  withState(initial),
  withProps(() => {
    const store = inject(Store);
    const dossier = store.selectSignal(ticketFeature.selectDossier);
    const person = store.selectSignal(shopFeature.selectPerson);
    return {
      api: inject(ShopApi),
      queue: inject(BenchQueue),
      source: signal<Signal<Standing | null>>(signal(null)),
      present: computed(() => dossier()?.ticket.id ?? null),
      family: computed(() => dossier()?.saw.family ?? null),
      /** Whose round it is: two who change over at one screen have each their own. */
      key: computed(() => `benchRound.${person()?.id ?? 0}`),
    };
  }),
  withComputed(({ rows, members, beside, present, family, source, queue }) => {
    const inRound = computed(() => {
      const id = present();
      return id !== null && members().includes(id) && members().length > 1;
    });
    const turn = computed((): RoundTurn | null => {
      const [id, standing] = [present(), source()()];
      // What is on its way to the server is not yet what the others are held against.
      if (!inRound() || id === null || !standing || queue.unsent().length > 0) return null;
      const saws = members().flatMap((member): SawInRound[] => {
        if (member === id)
          return [{ id, steps: standing.steps, step: standing.walk[standing.place]?.step ?? standing.steps.length }];
        const other = beside().find((one) => one.id === member);
        return other ? [{ id: member, steps: other.steps, step: other.stop?.step ?? other.steps.length }] : [];
      });
      return turnOf(saws, id);
    });
    return {
      inRound,
      turn,
      /** The saw to take up now; null where it is the present one's turn. */
      next: computed(() => {
        const [now, id] = [turn(), present()];
        return now && now.id !== id ? (beside().find((one) => one.id === now.id) ?? null) : null;
      }),
      /** Other saws at the bench: those like this one first, and of them those already begun. */
      others: computed(() => {
        const like = (row: RackRow): number => Number(row.family === family()) * 2 + Number(row.stopsDone > 0);
        return rows()
          .filter((row) => row.stage === 'bench' && row.id !== present())
          .sort((a, b) => like(b) - like(a));
      }),
    };
  }),
  withMethods((self) => {
    const { api } = self;
    const load = (): void => {
      const ids = self.members().filter((id) => id !== self.present());
      if (ids.length === 0 || !self.inRound()) return patchState(self, { beside: [] });
      forkJoin(ids.map((id) => api.ticket(id).pipe(catchError(() => of(null))))).subscribe((found) => {
        const here = found.flatMap((dossier) => (dossier?.ticket.stage === 'bench' ? [besideOf(dossier)] : []));
        patchState(self, { beside: here });
      });
    };
    return {
      load,
      follow: (standing: Signal<Standing | null>): void => self.source.set(standing),
      /** Together with another saw, or no longer. */
      choose: (id: number, together: boolean): void => {
        const present = self.present();
        if (present === null) return;
        const rest = self.members().filter((one) => one !== id && one !== present);
        const members = together ? [present, ...rest, id] : rest.length > 0 ? [present, ...rest] : [];
        patchState(self, { members });
        remember(self.key(), members.length > 0 ? members.join(',') : null);
      },
    };
  }),
  withHooks({
    onInit(self) {
      effect(() => {
        const kept = (recall(self.key()) ?? '').split(',').map(Number).filter(Boolean);
        untracked(() => patchState(self, { members: kept }));
      });
      // At every saw that is taken up the others are looked at anew: somebody may have gone on with one.
      effect(() => {
        if (self.present() === null) return;
        self.members();
        untracked(() => {
          self.load();
          self.api.rack().subscribe({ next: (rows) => patchState(self, { rows }), error: () => undefined });
        });
      });
    },
  }),
);
