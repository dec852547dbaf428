import { createEntityAdapter } from '@ngrx/entity';
import type { EntityState } from '@ngrx/entity';
import type { RackRow } from '@odontis/contract/ticket';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { Refusal } from '../../../shared/api/refusal';

export const RackEvents = createActionGroup({ source: 'Rack page', events: { Opened: emptyProps() } });
export const RackCalls = createActionGroup({
  source: 'Rack API',
  events: { Loaded: props<{ rows: RackRow[] }>(), Refused: props<{ refusal: Refusal }>() },
});

interface RackState extends EntityState<RackRow> {
  readonly loaded: boolean;
  readonly refusal: Refusal | null;
}

const adapter = createEntityAdapter<RackRow>({
  sortComparer: (a, b) => a.promisedOn.localeCompare(b.promisedOn) || a.number - b.number,
});
const initial: RackState = adapter.getInitialState({ loaded: false, refusal: null });

export const rackFeature = createFeature({
  name: 'rack',
  reducer: createReducer(
    initial,
    on(RackCalls.loaded, (state, { rows }): RackState =>
      adapter.setAll(rows, { ...state, loaded: true, refusal: null }),
    ),
    on(RackCalls.refused, (state, { refusal }): RackState => ({ ...state, refusal })),
  ),
  extraSelectors: ({ selectRackState }) => ({
    selectRows: createSelector(selectRackState, adapter.getSelectors().selectAll),
  }),
});
