import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import type { KeptStoreRoom } from '@odontis/contract/store';
import type { Observable } from 'rxjs';
import { catchError, concatMap, map, of, switchMap } from 'rxjs';
import { toRefusal } from '../api/refusal';
import { ShopApi } from '../api/shop-api';
import { StoreRoomCalls, StoreRoomPage } from './store-room.feature';

const answered = (call: Observable<KeptStoreRoom>) =>
  call.pipe(
    map((room) => StoreRoomCalls.answered({ room })),
    catchError((error: unknown) => of(StoreRoomCalls.refused({ refusal: toRefusal(error) }))),
  );

export const loadStoreRoom = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(StoreRoomPage.opened),
      switchMap(() => answered(api.storeRoom())),
    ),
  { functional: true },
);

/** One after the other: what can be done hangs on what was. */
export const changeStoreRoom = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(StoreRoomPage.toolAdded, StoreRoomPage.toolChanged, StoreRoomPage.deedDone),
      concatMap((action) => {
        if (action.type === StoreRoomPage.deedDone.type) return answered(api.toolDeed(action.id, action.deed));
        if (action.type === StoreRoomPage.toolChanged.type) return answered(api.changeTool(action.id, action.tool));
        const { tool, pieces } = action;
        return answered(
          api.addTool(tool).pipe(
            concatMap((room) => {
              const added = room.tools.find(
                (one) => one.tool.kind === tool.tool.kind && one.tool.name === tool.tool.name,
              );
              return pieces && added ? api.toolDeed(added.id, pieces) : of(room);
            }),
          ),
        );
      }),
    ),
  { functional: true },
);
