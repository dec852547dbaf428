import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withProps, withState } from '@ngrx/signals';
import { Store } from '@ngrx/store';
import type { Lean } from '@odontis/core/evidence/tooth-reading';
import { isLineOrder } from '@odontis/core/work/order';
import { walkOf } from '@odontis/core/work/step';
import { strokesAgain } from '@odontis/core/work/tooth-line/study-of-order';
import type { PlaceOnSide } from '@odontis/core/work/two-sides';
import { placeOnSide } from '@odontis/core/work/two-sides';
import { recall, remember } from '../../../shared/api/remembered';
import { shopFeature } from '../../../shared/state/shop.feature';
import { ticketFeature } from '../../../shared/state/ticket.feature';
import { doneStops, goneOf, placeOf } from '../data/bench-place';
import { BenchQueue } from '../data/bench-queue';
import type { Standing } from '../data/standing';

/** The order of the saw in the vise, walked: its stops by this hand's strokes, which are done, and the place. */
export const BenchWalk = signalStore(
  // On which side of the saw one of two stands; null alone.
  // From which stop on somebody chose to go on; the first that is open where nobody did.
  withState({ side: null as Lean | null, from: 0 }),
  withProps(() => {
    const store = inject(Store);
    return {
      queue: inject(BenchQueue),
      dossier: store.selectSignal(ticketFeature.selectDossier),
      hand: store.selectSignal(shopFeature.selectHand),
    };
  }),
  withComputed(({ dossier }) => {
    const accepted = computed(() => dossier()?.plan ?? null);
    // The same as long as it is the same order, whatever is done of it.
    const order = computed(() => accepted()?.order ?? null);
    const steps = computed(() => order()?.steps ?? []);
    return {
      accepted,
      order,
      steps,
      ticketId: computed(() => dossier()?.ticket.id ?? null),
      planId: computed(() => accepted()?.id ?? null),
      atBench: computed(() => ['bench', 'check'].includes(dossier()?.ticket.stage ?? '')),
      ordered: computed(() => walkOf(steps())),
    };
  }),
  withComputed(({ accepted, order, steps, ordered, hand, queue, side, from }) => {
    /** Strokes that this hand makes otherwise than the plan reckoned: measured since, or another's. */
    const again = computed(() => {
      const own = order();
      return own && isLineOrder(own) ? strokesAgain(own, ordered(), hand().strokeRateOf) : new Map<number, number>();
    });
    const walk = computed(() => {
      const changed = again();
      return changed.size === 0
        ? ordered()
        : ordered().map((stop) => ({ ...stop, strokes: changed.get(stop.index) ?? stop.strokes }));
    });
    const done = computed(() => {
      const plan = accepted();
      return doneStops(plan ? goneOf(plan) : [], queue.unsent());
    });
    const onSide = computed((): PlaceOnSide | null => {
      const own = side();
      return own && placeOnSide(steps(), walk(), done(), own);
    });
    const place = computed(() => {
      const at = onSide();
      return at?.at === 'stop' ? at.place : placeOf(walk().length, done(), from());
    });
    return { walk, done, onSide, place, stop: computed(() => walk()[place()] ?? null) };
  }),
  withComputed(({ dossier, order, steps, stop, ordered, onSide, planId, atBench, walk, place, done }) => {
    const stepIndex = computed(() => stop()?.step ?? steps().length);
    /** Stops that the other side still wants before both go on; null where nothing is waited for. */
    const waits = computed(() => {
      const at = onSide();
      return at?.at === 'wait' ? at.left : null;
    });
    return {
      stepIndex,
      waits,
      /** The price holds the work back here. */
      held: computed(() => {
        const heldFrom = dossier()?.ticket.heldFrom ?? null;
        return heldFrom !== null && place() >= heldFrom && place() < walk().length;
      }),
      step: computed(() => steps()[stepIndex()] ?? null),
      /** What the plan reckoned at the place in hand, where this hand's rate says otherwise. */
      planned: computed(() => {
        const own = stop();
        const strokes = own && ordered()[own.index]?.strokes;
        return strokes !== undefined && strokes !== null && strokes !== own?.strokes ? strokes : null;
      }),
      /** Nothing stands at a saw that has left the bench, or where the other side is waited for. */
      stands: computed<Standing | null>(() => {
        const id = planId();
        if (id === null || !atBench() || waits() !== null) return null;
        return { planId: id, steps: steps(), pace: order()?.pace, walk: walk(), place: place(), done: done() };
      }),
    };
  }),
  withMethods((self) => ({
    standOn: (side: Lean | null): void => patchState(self, { side }),
    /** Goes on from a stop; remembered over a reload. */
    goFrom: (from: number): void => {
      patchState(self, { from });
      remember(`bench-from.${self.planId()}`, from === 0 ? null : String(from));
    },
    /** Where it was gone on from before this page was opened. */
    recallFrom: (): void => patchState(self, { from: Number(recall(`bench-from.${self.planId()}`) ?? 0) || 0 }),
  })),
);
