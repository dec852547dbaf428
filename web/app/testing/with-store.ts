import { sent } from './sent';
import { provideHttpClient, withInterceptors } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import type { DoorState } from '@odontis/contract/door';
import type { Dossier } from '@odontis/contract/dossier';
import type { Shop } from '@odontis/contract/shop';
import { doorWatch } from '../shared/api/door-watch';
import { remember } from '../shared/api/remembered';
import * as doorEffects from '../shared/state/door.effects';
import { DoorCalls, doorFeature } from '../shared/state/door.feature';
import * as shopEffects from '../shared/state/shop.effects';
import { shopFeature } from '../shared/state/shop.feature';
import * as storeRoomEffects from '../shared/state/store-room.effects';
import { storeRoomFeature } from '../shared/state/store-room.feature';
import * as ticketEffects from '../shared/state/ticket.effects';
import { TicketCalls, ticketFeature, TicketPageEvents } from '../shared/state/ticket.feature';
import { testDoor, testPeople, testShop } from './test-dossier';

export interface Bench {
  readonly store: Store;
  readonly http: HttpTestingController;
}

/** The real store and effects over a wire that answers by hand, before anybody came in. */
export function outside(providers: unknown[] = []): Bench {
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideRouter([]),
      provideHttpClient(withInterceptors([doorWatch])),
      provideHttpClientTesting(),
      provideStore({
        [doorFeature.name]: doorFeature.reducer,
        [shopFeature.name]: shopFeature.reducer,
        [ticketFeature.name]: ticketFeature.reducer,
        [storeRoomFeature.name]: storeRoomFeature.reducer,
      }),
      provideEffects(doorEffects, shopEffects, storeRoomEffects, ticketEffects),
      ...(providers as []),
    ],
  });
  return { store: TestBed.inject(Store), http: TestBed.inject(HttpTestingController) };
}

/** The same with the first of the people in, and a ticket open where one is given. */
export function withStore(dossier: Dossier | null = null, shop: Shop = testShop(), providers: unknown[] = []): Bench {
  // A lock that another test's server never answered is not this one's.
  remember('locking', null);
  const bench = outside(providers);
  comeIn(bench, testDoor(), shop);
  if (dossier) {
    bench.store.dispatch(TicketPageEvents.opened({ id: dossier.ticket.id }));
    bench.http.expectOne(`/api/tickets/${dossier.ticket.id}`).flush(sent(dossier));
    bench.store.dispatch(TicketCalls.answered({ id: dossier.ticket.id, request: 'load', dossier }));
  }
  return bench;
}

/** Somebody comes in at the door, and the shop is read for them. */
export function comeIn({ store, http }: Bench, door: DoorState, shop: Shop = testShop()): void {
  store.dispatch(DoorCalls.stands({ door }));
  for (const call of http.match('/api/shop')) call.flush(shop);
  for (const call of http.match('/api/people')) call.flush(testPeople);
}

/** A refusal as the server writes it. */
export const refusalBody = (code: string, detail: string, more: object = {}) => ({
  type: '',
  title: '',
  status: 409,
  code,
  detail,
  errors: [],
  ...more,
});
