import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import type { Action } from '@ngrx/store';
import { Store } from '@ngrx/store';
import type { DoorState } from '@odontis/contract/door';
import type { Observable } from 'rxjs';
import { catchError, exhaustMap, filter, map, of, switchMap, tap, withLatestFrom } from 'rxjs';
import { toRefusal } from '../api/refusal';
import { recall, remember } from '../api/remembered';
import { forgetKept } from '../api/saws-at-hand';
import { ShopApi } from '../api/shop-api';
import { DoorCalls, doorFeature, DoorPage } from './door.feature';
import { ShopPage } from './shop.feature';

const answered = (call: Observable<DoorState>): Observable<Action> =>
  call.pipe(
    map((door) => DoorCalls.stands({ door })),
    catchError((error: unknown) => of(DoorCalls.refused({ refusal: toRefusal(error) }))),
  );

export const lookAtDoor = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(DoorPage.opened, DoorCalls.shut),
      exhaustMap(() => answered(api.door())),
    ),
  { functional: true },
);

export const comeIn = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(
        DoorPage.ownerMade,
        DoorPage.signedIn,
        DoorPage.demoEntered,
        DoorPage.changedOver,
        DoorPage.locked,
        DoorPage.signedOut,
      ),
      exhaustMap((asked) => {
        switch (asked.type) {
          case DoorPage.ownerMade.type:
            return answered(api.makeFirstOwner(asked.owner));
          case DoorPage.signedIn.type:
            return answered(api.signIn(asked.signIn));
          case DoorPage.demoEntered.type:
            return answered(api.enterDemo(asked.personId));
          case DoorPage.changedOver.type:
            return answered(api.changeOver(asked.change));
          case DoorPage.locked.type:
            return answered(api.lock());
          case DoorPage.signedOut.type:
            return answered(api.signOut());
        }
      }),
    ),
  { functional: true },
);

/** Whose sitting is being locked at this screen, until the server knows of it. */
const LOCKING = 'locking';

/** Noted while the key is still down: the page may be loaded anew before the server has heard of it. */
export const noteLock = createEffect(
  (actions = inject(Actions), store = inject(Store)) =>
    actions.pipe(
      ofType(DoorPage.locked),
      withLatestFrom(store.select(doorFeature.selectBefore)),
      tap(([, before]) => remember(LOCKING, before?.here?.key ?? null)),
    ),
  { functional: true, dispatch: false },
);

/** A lock whose page went away under it holds all the same: whoever loads it anew finds it covered. */
export const lockAgain = createEffect(
  (actions = inject(Actions)) =>
    actions.pipe(
      ofType(DoorCalls.stands),
      filter(({ door }) => door.here !== null && door.here.key === recall(LOCKING)),
      map(() => DoorPage.locked()),
    ),
  { functional: true },
);

/** The server has locked it or let somebody else in; or it could not be had, and the lock is not kept. */
export const forgetLock = createEffect(
  (actions = inject(Actions)) =>
    actions.pipe(
      ofType(DoorCalls.stands, DoorCalls.refused),
      filter((said) => said.type === DoorCalls.refused.type || said.door.here?.key !== recall(LOCKING)),
      tap(() => remember(LOCKING, null)),
    ),
  { functional: true, dispatch: false },
);

/** Somebody is in: the shop is read, where it was not yet. */
export const openShop = createEffect(
  (actions = inject(Actions), store = inject(Store)) =>
    actions.pipe(
      ofType(DoorCalls.stands),
      withLatestFrom(store.select(doorFeature.selectHere)),
      filter(([, here]) => here !== null),
      map(() => ShopPage.opened()),
    ),
  { functional: true },
);

/** A screen that is a stranger's keeps nothing of the shop. */
export const forgetShop = createEffect(
  (actions = inject(Actions)) =>
    actions.pipe(
      ofType(DoorCalls.stands),
      filter(({ door }) => door.state === 'stranger'),
      switchMap(() => forgetKept().catch(() => undefined)),
    ),
  { functional: true, dispatch: false },
);
