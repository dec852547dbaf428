import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, map, of, switchMap, tap } from 'rxjs';
import { toRefusal } from '../../../shared/api/refusal';
import { isKept, keepAtHand } from '../../../shared/api/saws-at-hand';
import { ShopApi } from '../../../shared/api/shop-api';
import { RackCalls, RackEvents } from './rack.feature';

export const loadRack = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(RackEvents.opened),
      switchMap(() =>
        api.rack().pipe(
          tap((rows) => keepAtHand(api, rows, isKept())),
          map((rows) => RackCalls.loaded({ rows })),
          catchError((error: unknown) => of(RackCalls.refused({ refusal: toRefusal(error) }))),
        ),
      ),
    ),
  { functional: true },
);
