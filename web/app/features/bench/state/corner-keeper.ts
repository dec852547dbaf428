import type { Signal } from '@angular/core';
import { computed, effect, inject, signal, untracked } from '@angular/core';
import { signalStore, withComputed, withHooks, withMethods, withProps } from '@ngrx/signals';
import { Store } from '@ngrx/store';
import { cornersOf } from '@odontis/core/store/stock';
import type { ToolDeed } from '@odontis/core/store/tool';
import type { CornerInHand } from '@odontis/core/work/moments';
import { shopFeature } from '../../../shared/state/shop.feature';
import { StoreRoomPage, storeRoomFeature } from '../../../shared/state/store-room.feature';
import type { Standing } from '../data/standing';

/** The file of the step in hand: which corner of it, what that has made, and the deeds of a file that is turned or worn out. */
export const CornerKeeper = signalStore(
  withProps(() => {
    const store = inject(Store);
    return {
      store,
      source: signal<Signal<Standing | null>>(signal(null)),
      shelves: store.selectSignal(storeRoomFeature.selectShelves),
      room: store.selectSignal(storeRoomFeature.selectRoom),
      person: store.selectSignal(shopFeature.selectPerson),
      refusal: store.selectSignal(storeRoomFeature.selectRefusal),
      /** Stops of this order that were done when the Store was read: later ones are counted here. */
      counted: signal<Pick<Standing, 'planId' | 'done'> | null>(null),
    };
  }),
  withComputed(({ source, shelves, person, counted }) => {
    const standing = computed(() => source()());
    const tool = computed(() => {
      const now = standing();
      const stop = now?.walk[now.place];
      return (stop && now.steps[stop.step]?.tool) ?? null;
    });
    const shelf = computed(() => {
      const name = tool();
      const found = name === null ? undefined : shelves().find((one) => one.name === name);
      return found?.kept ? found : null;
    });
    /** Null where this hand has none of the file in use, or the Store does not know it. */
    const mine = computed(() => {
      const [now, found, name] = [standing(), shelf(), tool()];
      const own = found?.kept?.stock.inHand.find((one) => one.personId === person()?.id);
      if (!now || !found?.kept || !own) return null;
      const known = counted();
      const isNew = (index: number): boolean =>
        known?.planId === now.planId && now.done.has(index) && !known.done.has(index);
      const since = now.walk
        .filter((stop) => isNew(stop.index) && now.steps[stop.step]?.tool === name)
        .reduce((sum, stop) => sum + stop.strokes, 0);
      return {
        corner: own.corner,
        corners: cornersOf(found.kept.tool),
        made: own.strokes + since,
        gives: found.life.strokes,
      };
    });
    const inHand = computed((): CornerInHand | null => {
      const [own, name] = [mine(), tool()];
      return own && name !== null ? { tool: name, made: own.made, gives: own.gives } : null;
    });
    return { tool, shelf, mine, inHand };
  }),
  withMethods(({ store, source, shelf }) => ({
    follow: (standing: Signal<Standing | null>): void => source.set(standing),
    say: (what: 'turned' | 'begun'): void => {
      const id = shelf()?.kept?.id;
      const deed: ToolDeed = { what };
      if (id !== undefined) store.dispatch(StoreRoomPage.deedDone({ id, deed: { key: crypto.randomUUID(), deed } }));
    },
  })),
  withHooks({
    onInit({ store, room, source, counted }) {
      // At every saw that is taken up.
      const planId = computed(() => source()()?.planId ?? null);
      effect(() => {
        if (planId() !== null) untracked(() => store.dispatch(StoreRoomPage.opened()));
      });
      effect(() => {
        room();
        counted.set(untracked(() => source()()));
      });
    },
  }),
);
