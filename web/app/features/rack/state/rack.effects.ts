import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { catchError, map, of, switchMap } from 'rxjs';
import { toRefusal } from '../../../shared/api/refusal';
import { ShopApi } from '../../../shared/api/shop-api';
import { RackCalls, RackEvents } from './rack.feature';

export const loadRack = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(RackEvents.opened),
      switchMap(() =>
        api.rack().pipe(
          map((rows) => RackCalls.loaded({ rows })),
          catchError((error: unknown) => of(RackCalls.refused({ refusal: toRefusal(error) }))),
        ),
      ),
    ),
  { functional: true },
);
