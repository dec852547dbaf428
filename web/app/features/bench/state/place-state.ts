import type { Signal } from '@angular/core';
import { computed, inject, signal } from '@angular/core';
import { signalStoreFeature, withComputed, withProps, withState } from '@ngrx/signals';
import { Store } from '@ngrx/store';
import type { Doubt } from '@odontis/core/hear/follow-place';
import type { UNLEARNED } from '@odontis/core/hear/learn-ear';
import { LEARNS_FROM } from '@odontis/core/hear/learn-ear';
import type { Trouble } from '@odontis/core/hear/stroke-trouble';
import type { PlaceKeeping } from '@odontis/core/work/place-keeping';
import { USUAL_PLACE_KEEPING } from '@odontis/core/work/place-keeping';
import { IdleLock } from '../../../idle-lock';
import { ShopApi } from '../../../shared/api/shop-api';
import { shopFeature } from '../../../shared/state/shop.feature';
import type { HearFault, OpenEar } from '../../../workers/hear-client';
import { HearClient } from '../../../workers/hear-client';
import { BenchQueue } from '../data/bench-queue';
import type { Standing } from '../data/standing';
import { gulletsOfWindow, runOf, secondsOf, strokesHeard } from '../data/standing';

/** What the ear is doing: learning this filer, listening, waiting for an answer, or for the saw to be turned. */
export type Listening = 'off' | 'asking' | 'learning' | 'listening' | 'question' | 'between';

interface PlaceState {
  /** Chosen here and now; the shop book has it as soon as the server answers. */
  readonly chosen: (PlaceKeeping & { readonly by: number | undefined }) | null;
  readonly listening: Listening;
  /** How sure the strokes heard at this stop are, one after the other. */
  readonly ticks: readonly number[];
  /** A stroke falls off just now; it is counted when it has ended. */
  readonly falling: boolean;
  readonly doubt: { readonly kind: Doubt | 'away'; readonly strokes: number } | null;
  readonly trouble: Trouble | null;
  readonly fault: HearFault | null;
  readonly unlearned: (typeof UNLEARNED)[number] | null;
  readonly mute: boolean;
  /** It asked too often and gave up. */
  readonly restless: boolean;
  /** Seconds of this stop that have gone by; null where no pace runs. */
  readonly pacedS: number | null;
  readonly paceFactor: number;
  /** Gullets of a band's window that were heard to their end. */
  readonly heardIn: number;
}
const initial: PlaceState = {
  ...{ chosen: null, listening: 'off', ticks: [], falling: false, doubt: null, trouble: null, fault: null },
  ...{ unlearned: null, mute: false, restless: false, pacedS: null, paceFactor: 1, heardIn: 0 },
};

/** The fewest gullets that teach. */
const LEAST_LEARNED = 3;
/** What is known of how the place is kept: the way chosen, what the ear does, and the stops that a press marks. */
export const withPlace = () =>
  signalStoreFeature(
    withState(initial),
    withProps(() => ({
      queue: inject(BenchQueue),
      api: inject(ShopApi),
      client: inject(HearClient),
      idle: inject(IdleLock),
      store: inject(Store),
      /** Where the page says the work stands: true the moment a press is made. */
      source: signal<Signal<Standing | null>>(signal(null)),
      /** What is open or running; none of it is shown. */
      held: {
        ear: null as OpenEar | null,
        lock: null as WakeLockSentinel | null,
        /** Told to learn, and not answered yet: a key pressed twice is one press. */
        learning: false,
        timer: undefined as ReturnType<typeof setInterval> | undefined,
        fallen: undefined as ReturnType<typeof setTimeout> | undefined,
      },
    })),
    withComputed(({ source }) => ({ standing: computed(() => source()()) })),
    withComputed(({ standing, chosen, listening, paceFactor, heardIn, store }) => {
      const person = store.selectSignal(shopFeature.selectPerson);
      const keeping = computed((): PlaceKeeping => {
        const own = chosen();
        // Who changes over keeps the place their own way.
        return own && own.by === person()?.id ? own : (person()?.place ?? USUAL_PLACE_KEEPING);
      });
      const run = computed(() => {
        const now = standing();
        return now ? runOf(now) : [];
      });
      /** More than one stop lies here that could be kept together. */
      const together = computed(() => run().length > 1);
      /** Gullets in the window in hand; null where stops are single gullets or teeth. */
      const gullets = computed(() => {
        const now = standing();
        return now && gulletsOfWindow(now);
      });
      const way = computed(() => {
        const own = together() || listening() !== 'off' ? keeping().way : 'gullet';
        return gullets() === null ? own : keeping().way === 'ear' ? 'ear' : 'gullet';
      });
      /** The stops that one press marks. */
      const next = computed(() => {
        const wide =
          listening() === 'learning' && gullets() === null ? LEARNS_FROM : way() === 'window' ? keeping().window : 1;
        const now = standing();
        const here = now?.walk[now.place];
        return run().length > 0 ? run().slice(0, wide) : here ? [here] : [];
      });
      /** Of a window the gullets that are learned from now. */
      const taught = computed(() => Math.min(LEARNS_FROM, (gullets() ?? 0) - heardIn()));
      const canLearn = computed(() =>
        gullets() !== null
          ? taught() >= LEAST_LEARNED
          : run().length >= LEAST_LEARNED &&
            run()
              .slice(0, LEARNS_FROM)
              .every((stop) => strokesHeard(stop) !== null),
      );
      const strokesHere = computed(() => strokesHeard(run()[0]) !== null || gullets() !== null);
      /** Seconds that the stop in hand takes at this filer's pace. */
      const stopS = computed(() => {
        const [now, stop] = [standing(), next()[0]];
        return now && stop ? secondsOf(now, stop) * paceFactor() : 0;
      });
      return { person, keeping, run, together, way, next, gullets, taught, canLearn, strokesHere, stopS };
    }),
  );
