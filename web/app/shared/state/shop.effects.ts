import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, exhaustMap, forkJoin, map, of, switchMap } from 'rxjs';
import { toRefusal } from '../api/refusal';
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
