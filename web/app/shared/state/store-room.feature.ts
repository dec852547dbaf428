import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { KeptStoreRoom, NewTool, NewToolDeed } from '@odontis/contract/store';
import { STROKES_PER_CORNER } from '@odontis/core/file/file-choice';
import type { FileShelf } from '@odontis/core/store/shelf';
import { fileShelves } from '@odontis/core/store/shelf';
import type { Tool } from '@odontis/core/store/tool';
import type { Refusal } from '../api/refusal';

export const StoreRoomPage = createActionGroup({
  source: 'Store page',
  events: {
    Opened: emptyProps(),
    'Tool added': props<{ tool: NewTool; pieces: NewToolDeed | null }>(),
    'Tool changed': props<{ id: number; tool: Tool }>(),
    'Deed done': props<{ id: number; deed: NewToolDeed }>(),
    'Refusal read': emptyProps(),
  },
});
export const StoreRoomCalls = createActionGroup({
  source: 'Store API',
  events: {
    Answered: props<{ room: KeptStoreRoom }>(),
    Refused: props<{ refusal: Refusal }>(),
  },
});

export interface StoreRoomState {
  readonly room: KeptStoreRoom | null;
  readonly refusal: Refusal | null;
  /** Calls on their way. */
  readonly pending: number;
}
const initial: StoreRoomState = { room: null, refusal: null, pending: 0 };
const asked = (state: StoreRoomState): StoreRoomState => ({ ...state, pending: state.pending + 1, refusal: null });

export const storeRoomFeature = createFeature({
  name: 'storeRoom',
  reducer: createReducer(
    initial,
    on(StoreRoomPage.opened, StoreRoomPage.toolAdded, StoreRoomPage.toolChanged, StoreRoomPage.deedDone, asked),
    on(StoreRoomCalls.answered, (state, { room }): StoreRoomState => ({
      ...state,
      room,
      pending: Math.max(0, state.pending - 1),
    })),
    on(StoreRoomCalls.refused, (state, { refusal }): StoreRoomState => ({
      ...state,
      refusal,
      pending: Math.max(0, state.pending - 1),
    })),
    on(StoreRoomPage.refusalRead, (state): StoreRoomState => ({ ...state, refusal: null })),
  ),
  extraSelectors: ({ selectRoom }) => ({
    selectShelves: createSelector(selectRoom, (room): readonly FileShelf[] =>
      room ? fileShelves(room, STROKES_PER_CORNER) : [],
    ),
  }),
});
