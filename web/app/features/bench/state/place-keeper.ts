import type { BenchEvent } from '@odontis/contract/bench';
import type { Signal } from '@angular/core';
import { effect, untracked } from '@angular/core';
import { patchState, signalStore, withHooks, withMethods } from '@ngrx/signals';
import type { BenchEarEvent } from '@odontis/core/hear/bench-ear';
import type { Learned } from '@odontis/core/hear/learn-ear';
import type { How, PlaceKeeping } from '@odontis/core/work/place-keeping';
import { momentsBefore } from '@odontis/core/work/moments';
import type { WalkStop } from '@odontis/core/work/step';
import { firstValueFrom } from 'rxjs';
import { ShopPage } from '../../../shared/state/shop.feature';
import { doorFeature } from '../../../shared/state/door.feature';
import type { HearFault } from '../../../workers/hear-client';
import type { Standing } from '../data/standing';
import { strokesHeard } from '../data/standing';
import { withPlace } from './place-state';

// Over 250 lines: one store; every way of keeping the place moves the same place, and only one may at a time.

const PACE_EACH_MS = 200;
/** A stroke that falls off is counted sooner than this, or was none. */
const FALLS_FOR_MS = 600;
/** A page that was not looked at for so long did not see what was filed. */
const ASLEEP_MS = 2500;

/** What is said with a press. */
type Said = Pick<Partial<BenchEvent>, 'reason' | 'result' | 'minutes'>;

/** How the place is kept at the vise: stop by stop, by windows, by ear or by a pace; it never runs ahead of the file. */
export const PlaceKeeper = signalStore(
  withPlace(),
  withMethods((self) => {
    const { held, queue } = self;
    const press = (stops: readonly WalkStop[], action: BenchEvent['action'], how: How, said: Said = {}): void => {
      const planId = self.standing()?.planId;
      if (planId === undefined) return;
      const at = new Date().toISOString();
      for (const { index } of stops)
        void queue.press(planId, { id: crypto.randomUUID(), stop: index, action, at, how, ...said });
    };
    const want = (on: boolean): void =>
      held.ear?.tell({ do: 'want', strokes: on ? (strokesHeard(self.next()[0]) ?? 0) : null });
    const awake = async (): Promise<void> => {
      try {
        held.lock ??= (await navigator.wakeLock?.request('screen')) ?? null;
        held.lock?.addEventListener('release', () => (held.lock = null));
      } catch {
        // A device that will not stay awake: the place waits when it sleeps.
        held.lock = null;
      }
    };
    const stopPace = (): void => {
      clearInterval(held.timer);
      held.timer = undefined;
      patchState(self, { pacedS: null });
    };
    const deafen = (fault: HearFault | null = null): void => {
      held.ear?.close();
      held.ear = null;
      held.learning = false;
      void held.lock?.release();
      patchState(self, { listening: 'off', ticks: [], doubt: null, mute: false, heardIn: 0, fault });
    };
    /** One gullet is done: of a window one of many, and the band is moved when all are. */
    const gulletDone = (how: How): void => {
      const all = self.gullets();
      const heard = self.heardIn() + 1;
      if (all !== null && heard < all) {
        patchState(self, { heardIn: heard, ticks: [] });
        return want(true);
      }
      patchState(self, { heardIn: 0, ticks: [] });
      press(self.next(), 'done', all === null ? how : 'ear');
    };
    const anew = (rightly = false): void => {
      held.ear?.tell({ do: 'anew', rightly });
      patchState(self, { listening: 'listening', ticks: [], doubt: null });
      want(true);
    };

    const heard = (event: BenchEarEvent): void => {
      if (event.is === 'mute' || event.is === 'sound') patchState(self, { mute: event.is === 'mute' });
      else if (event.is === 'knock' && self.listening() === 'question') answer();
      else if (self.listening() !== 'listening') return;
      else if (event.is === 'tick') {
        patchState(self, { falling: true });
        // In vain: nothing came of it.
        clearTimeout(held.fallen);
        held.fallen = setTimeout(() => patchState(self, { falling: false }), FALLS_FOR_MS);
      } else if (event.is === 'stroke') {
        // Who files is there, though no hand is on the screen.
        self.idle.touched();
        patchState(self, { ticks: [...self.ticks(), event.confidence], falling: false });
      } else if (event.is === 'trouble') patchState(self, { trouble: event.trouble });
      else if (event.is === 'done') {
        patchState(self, { ticks: [], trouble: null });
        gulletDone('ear');
      } else if (event.is === 'doubt') {
        patchState(self, { listening: 'question', doubt: { kind: event.doubt, strokes: event.strokes } });
        if (event.restless) {
          deafen();
          patchState(self, { restless: true, doubt: { kind: event.doubt, strokes: event.strokes } });
        }
      }
    };
    const learned = (found: Learned): void => {
      held.learning = false;
      if (!found.ok) patchState(self, { unlearned: found.code });
      else {
        patchState(self, { listening: 'listening', unlearned: null, ticks: [] });
        settle();
      }
    };
    /** The filer says that the gullet in question is done. */
    const answer = (): void => {
      gulletDone('gullet');
      anew();
      settle();
    };
    /** Where the next stop is of another step, or makes no strokes, the ear waits until the saw has been turned. */
    const settle = (): void => {
      const now = self.standing();
      const step = now?.walk[now.place]?.step;
      // The saw turned, a fresh corner: begun again by hand.
      const other =
        heardStep !== step ||
        // The band is moved on by hand.
        (now !== null && self.gullets() !== null && now.place !== heardPlace) ||
        (now !== null &&
          now.place !== heardPlace &&
          momentsBefore(now.steps, now.walk, now.place, now.corner).length > 0);
      if (self.listening() === 'listening' && (other || strokesHeard(self.next()[0]) === null)) {
        patchState(self, { listening: 'between', ticks: [] });
        want(false);
      } else if (self.listening() === 'listening') want(true);
      if (self.pacedS() !== null && other) stopPace();
    };
    let heardStep: number | undefined;
    /** Where a moment was met already. */
    let heardPlace: number | undefined;

    const startPace = (): void => {
      let begun = performance.now();
      let looked = begun;
      heardStep = self.next()[0]?.step;
      heardPlace = self.standing()?.place;
      patchState(self, { pacedS: 0 });
      void awake();
      held.timer = setInterval(() => {
        const now = performance.now();
        const stop = self.next()[0];
        if (!stop || document.hidden || now - looked > ASLEEP_MS) return stopPace();
        looked = now;
        if (now - begun < 1000 * self.stopS()) return patchState(self, { pacedS: (now - begun) / 1000 });
        begun = now;
        patchState(self, { pacedS: 0 });
        press([stop], 'done', 'pace');
      }, PACE_EACH_MS);
    };

    return {
      follow: (standing: Signal<Standing | null>): void => self.source.set(standing),
      settle,
      async listen(): Promise<void> {
        if (held.ear || self.listening() === 'asking') return;
        patchState(self, {
          listening: 'asking',
          fault: null,
          restless: false,
          unlearned: null,
          trouble: null,
          doubt: null,
        });
        const opened = await self.client.open(
          (answer) => (answer.is === 'learned' ? learned(answer.learned) : answer.events.forEach(heard)),
          (fault) => deafen(fault),
        );
        if (typeof opened === 'string') return deafen(opened);
        // Closed while the browser was asking.
        if (self.listening() !== 'asking') return opened.close();
        held.ear = opened;
        void awake();
        heardStep = self.next()[0]?.step;
        heardPlace = self.standing()?.place;
        patchState(self, { listening: 'learning' });
        want(true);
      },
      deafen: (): void => deafen(),
      stopPace,
      /** The key for next. */
      done: (): void => {
        const listening = self.listening();
        if (listening === 'learning') {
          if (held.learning) return;
          held.learning = true;
          const stops = self.next();
          if (self.gullets() !== null) {
            const strokes = Array.from({ length: self.taught() }, () => stops[0]?.strokes ?? 0);
            held.ear?.tell({ do: 'learn', strokes });
            const heardIn = self.heardIn() + strokes.length;
            if (heardIn < (self.gullets() ?? 0)) return patchState(self, { heardIn });
            patchState(self, { heardIn: 0 });
            return press(stops, 'done', 'window');
          }
          held.ear?.tell({ do: 'learn', strokes: stops.map((stop) => stop.strokes) });
          press(stops, 'done', 'window');
        } else if (listening === 'question') answer();
        else if (listening === 'between') {
          heardStep = self.next()[0]?.step;
          heardPlace = self.standing()?.place;
          // A stop that makes no strokes is pressed as ever.
          if (strokesHeard(self.next()[0]) === null) press(self.next(), 'done', 'gullet');
          else anew();
        } else if (listening === 'listening') {
          // The key says that all of this stop is done, a whole window where it is one.
          patchState(self, { heardIn: 0 });
          press(self.next(), 'done', 'gullet');
          anew();
          settle();
        } else if (self.pacedS() !== null) stopPace();
        else if (self.way() === 'pace') startPace();
        else press(self.next(), 'done', self.way() === 'window' && self.next().length > 1 ? 'window' : 'gullet');
      },
      /** Left out, with why: these stops are gone past, and told as not done. */
      skip: (stops: readonly WalkStop[], reason: string): void => press(stops, 'skipped', 'gullet', { reason }),
      /** Stopped for the day at this stop, with what is left to say; or gone on from it with another file. Neither does it. */
      say: (action: 'stopped' | 'file', reason: string): void => {
        const [first] = self.next();
        if (first) press([first], action, 'gullet', { reason });
      },
      /** One that was done or left out is to be done again. */
      again: (stop: WalkStop): void => press([stop], 'back', 'gullet'),
      /** A stop of the whole saw, with how it went. */
      doneWith: (said: Said): void => press(self.next(), 'done', 'gullet', said),
      /** The key for back: an answer where a question stands, a stop to the pace where one runs. */
      back: (): void => {
        if (self.listening() === 'question') return anew(true);
        if (self.pacedS() !== null) return stopPace();
        if (self.listening() === 'listening' && self.heardIn() > 0) {
          patchState(self, { heardIn: self.heardIn() - 1 });
          return anew();
        }
        const standing = self.standing();
        const before = standing?.walk[standing.place - 1];
        if (before) press([before], 'back', 'gullet');
        if (self.listening() === 'listening') anew();
        // What was heard is of other gullets than those that are told.
        else if (self.listening() === 'learning') held.ear?.tell({ do: 'forget' });
      },
      /** Steps ticked on the shop's card: every stop of theirs that is not done yet. */
      enterCard: (ticked: ReadonlySet<number>): void => {
        const now = self.standing();
        if (now)
          press(
            now.walk.filter((stop) => ticked.has(stop.step) && !now.done.has(stop.index)),
            'done',
            'card',
          );
      },
      async choose(change: Partial<PlaceKeeping>): Promise<void> {
        const { way, window } = { ...self.keeping(), ...change };
        const keeping: PlaceKeeping = { way, window };
        patchState(self, { chosen: { ...keeping, by: self.person()?.id } });
        if (keeping.way !== 'ear') deafen();
        if (keeping.way !== 'pace') stopPace();
        const id = self.person()?.id;
        if (id === undefined) return;
        try {
          self.store.dispatch(
            ShopPage.peopleChanged({ people: await firstValueFrom(self.api.choosePlace(id, keeping)) }),
          );
        } catch {
          // Kept at this screen; the shop book learns of it with the next choice.
        }
      },
      looked: (): void => {
        if (document.hidden) {
          stopPace();
          want(false);
          if (self.listening() === 'listening')
            patchState(self, { listening: 'question', doubt: { kind: 'away', strokes: self.ticks().length } });
        } else if (held.ear) {
          void awake();
          if (self.listening() === 'learning') {
            held.ear.tell({ do: 'forget' });
            want(true);
          }
        }
      },
      paceOf: (factor: number): void => patchState(self, { paceFactor: factor }),
    };
  }),
  withHooks({
    onInit(self) {
      document.addEventListener('visibilitychange', self.looked);
      effect(() => {
        self.standing();
        untracked(self.settle);
      });
      // A locked screen, and a plan that is another's by now, hear and move nothing.
      const door = self.store.selectSignal(doorFeature.selectDoor);
      effect(() => {
        if (door()?.state === 'open' && self.queue.refusal() === null) return;
        untracked(() => {
          self.stopPace();
          self.deafen();
        });
      });
      // Who keeps a pace goes by their own past.
      self.api.counterBook().subscribe({ next: ({ pace }) => self.paceOf(pace.factor), error: () => undefined });
    },
    onDestroy(self) {
      document.removeEventListener('visibilitychange', self.looked);
      self.stopPace();
      self.deafen();
    },
  }),
);
