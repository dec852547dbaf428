import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { ChangeOver, DoorState, FirstOwner, SignIn, Sitting } from '@odontis/contract/door';
import { mayAs } from '@odontis/contract/roles';
import type { Refusal } from '../api/refusal';

/** What a person does at the door. */
export const DoorPage = createActionGroup({
  source: 'Door',
  events: {
    Opened: emptyProps(),
    'Owner made': props<{ owner: FirstOwner }>(),
    'Signed in': props<{ signIn: SignIn }>(),
    'Demo entered': props<{ personId: number }>(),
    'Changed over': props<{ change: ChangeOver }>(),
    Locked: emptyProps(),
    'Signed out': emptyProps(),
  },
});

/** What the server says of it. */
export const DoorCalls = createActionGroup({
  source: 'Door API',
  events: {
    Stands: props<{ door: DoorState }>(),
    Refused: props<{ refusal: Refusal }>(),
    /** Another request heard that nobody is in: locked elsewhere, or the screen was ended. */
    Shut: emptyProps(),
  },
});

export interface DoorFeatureState {
  readonly door: DoorState | null;
  /** As it stood before it was locked here, until the server knows of it. */
  readonly before: DoorState | null;
  readonly busy: boolean;
  readonly refusal: Refusal | null;
}
const initial: DoorFeatureState = { door: null, before: null, busy: false, refusal: null };
const asking = (state: DoorFeatureState): DoorFeatureState => ({ ...state, busy: true, refusal: null });

export const doorFeature = createFeature({
  name: 'door',
  reducer: createReducer(
    initial,
    on(
      DoorPage.opened,
      DoorPage.ownerMade,
      DoorPage.signedIn,
      DoorPage.demoEntered,
      DoorPage.changedOver,
      DoorPage.signedOut,
      asking,
    ),
    // The page is covered at once, whether the server answers or not.
    on(DoorPage.locked, (state): DoorFeatureState => ({
      ...asking(state),
      before: state.door,
      door: state.door && { ...state.door, state: 'locked', here: null },
    })),
    on(DoorCalls.stands, (_, { door }): DoorFeatureState => ({
      door,
      before: null,
      busy: false,
      refusal: null,
    })),
    on(DoorCalls.refused, (state, { refusal }): DoorFeatureState => {
      // A lock that nobody could open again without the shop's computer is not kept: the bench goes on without it.
      const door = refusal.code === 'away' && state.before ? state.before : state.door;
      return { door, before: null, busy: false, refusal: door === state.door ? refusal : null };
    }),
  ),
  extraSelectors: ({ selectDoor }) => {
    const selectHere = createSelector(selectDoor, (door): Sitting | null => door?.here ?? null);
    return {
      selectHere,
      /** Whether who sits here keeps shop book, people and copies. */
      selectIsOwner: createSelector(selectHere, (here): boolean => here !== null && mayAs(here.role, 'owner')),
      /** Whose sitting what is done now belongs to. */
      selectSittingKey: createSelector(selectHere, (here): string | null => here?.key ?? null),
    };
  },
});
