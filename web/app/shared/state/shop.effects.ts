import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, exhaustMap, forkJoin, map, of, switchMap, tap } from 'rxjs';
import { toRefusal } from '../api/refusal';
import { remember } from '../api/remembered';
import { ShopApi } from '../api/shop-api';
import { ShopCalls, ShopPage } from './shop.feature';

export const loadShop = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(ShopPage.opened),
      switchMap(() =>
        forkJoin({ shop: api.shop(), people: api.people() }).pipe(
          map((found) => ShopCalls.loaded(found)),
          catchError((error: unknown) => of(ShopCalls.refused({ refusal: toRefusal(error) }))),
        ),
      ),
    ),
  { functional: true },
);

export const keepBook = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(ShopPage.bookChanged),
      exhaustMap(({ book, version }) =>
        api.changeShop({ book, version }).pipe(
          map((shop) => ShopCalls.bookKept({ shop })),
          catchError((error: unknown) => of(ShopCalls.refused({ refusal: toRefusal(error) }))),
        ),
      ),
    ),
  { functional: true },
);

export const rememberPerson = createEffect(
  (actions = inject(Actions)) =>
    actions.pipe(
      ofType(ShopPage.personChosen),
      tap(({ id }) => remember('person', String(id))),
    ),
  { functional: true, dispatch: false },
);
