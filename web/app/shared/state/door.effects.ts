import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import type { Action } from '@ngrx/store';
import { Store } from '@ngrx/store';
import type { DoorState } from '@odontis/contract/door';
import type { Observable } from 'rxjs';
import { catchError, exhaustMap, filter, map, of, switchMap, withLatestFrom } from 'rxjs';
import { toRefusal } from '../api/refusal';
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
