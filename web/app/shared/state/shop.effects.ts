import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, concatMap, forkJoin, map, of, switchMap, tap } from 'rxjs';
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

/**
 * Changes of the book one after the other, none left out: one that was made while another was on its way goes on
 * from the version that became of it.
 */
export const keepBook = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) => {
    const became = new Map<number, number>();
    return actions.pipe(
      ofType(ShopPage.bookChanged),
      concatMap(({ book, version }) =>
        api.changeShop({ book, version: became.get(version) ?? version }).pipe(
          tap((shop) => became.set(version, shop.version)),
          map((shop) => ShopCalls.bookKept({ shop })),
          catchError((error: unknown) => of(ShopCalls.refused({ refusal: toRefusal(error) }))),
        ),
      ),
    );
  },
  { functional: true },
);
