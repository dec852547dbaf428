import type { Person } from '@odontis/contract/people';
import type { Hand } from '@odontis/core/calibration/hand';
import { NOTHING_LEARNED } from '@odontis/core/learn/learned';
import type { Learned } from '@odontis/core/learn/learned';
import { handOf } from '@odontis/core/calibration/hand';
import type { Shop, ShopBook } from '@odontis/contract/shop';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { Refusal } from '../api/refusal';
import { doorFeature } from './door.feature';

export const ShopPage = createActionGroup({
  source: 'Shop page',
  events: {
    Opened: emptyProps(),
    'Book changed': props<{ book: ShopBook; version: number }>(),
    'Refusal read': emptyProps(),
    'Theirs taken': props<{ shop: Shop }>(),
    'People changed': props<{ people: Person[] }>(),
  },
});

export const ShopCalls = createActionGroup({
  source: 'Shop API',
  events: {
    Loaded: props<{ shop: Shop; people: Person[] }>(),
    'Book kept': props<{ shop: Shop }>(),
    Refused: props<{ refusal: Refusal }>(),
  },
});

export interface ShopState {
  readonly shop: Shop | null;
  readonly people: readonly Person[];
  readonly refusal: Refusal | null;
  /** Changes of the book on their way. */
  readonly pending: number;
}

const initial: ShopState = { shop: null, people: [], refusal: null, pending: 0 };

/** One change fewer is on its way. */
const oneLess = ({ pending }: ShopState): Pick<ShopState, 'pending'> => ({ pending: Math.max(0, pending - 1) });

export const shopFeature = createFeature({
  name: 'shop',
  reducer: createReducer(
    initial,
    on(ShopCalls.loaded, (state, { shop, people }): ShopState => ({ ...state, shop, people, refusal: null })),
    on(ShopPage.bookChanged, (state): ShopState => ({ ...state, pending: state.pending + 1, refusal: null })),
    on(ShopCalls.bookKept, (state, { shop }): ShopState => ({ ...state, shop, ...oneLess(state), refusal: null })),
    on(ShopPage.theirsTaken, (state, { shop }): ShopState => ({ ...state, shop, refusal: null })),
    on(ShopPage.peopleChanged, (state, { people }): ShopState => ({ ...state, people })),
    on(ShopCalls.refused, (state, { refusal }): ShopState => ({ ...state, refusal, ...oneLess(state) })),
    on(ShopPage.refusalRead, (state): ShopState => ({ ...state, refusal: null })),
  ),
  extraSelectors: ({ selectShop, selectPeople, selectPending }) => {
    const selectPerson = createSelector(
      selectPeople,
      doorFeature.selectHere,
      (people, here): Person | null => people.find((p) => p.id === here?.personId) ?? null,
    );
    const selectLearned = createSelector(selectShop, (shop): Learned => shop?.learned ?? NOTHING_LEARNED);
    return {
      selectKeeping: createSelector(selectPending, (pending): boolean => pending > 0),
      selectBook: createSelector(selectShop, (shop): ShopBook | null => shop?.book ?? null),
      selectPerson,
      /** What is in force of what the shop learned. */
      selectLearned,
      /** What the person at the screen is known to do with file, stone and set tool. */
      selectHand: createSelector(selectPerson, selectLearned, (person, learned): Hand =>
        handOf(person?.calibrations ?? [], learned),
      ),
    };
  },
});
