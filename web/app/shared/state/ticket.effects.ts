import { inject } from '@angular/core';
import type { Dossier } from '@odontis/contract/dossier';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import type { Action } from '@ngrx/store';
import { catchError, concatMap, map, of, switchMap } from 'rxjs';
import type { Observable } from 'rxjs';
import { toRefusal } from '../api/refusal';
import { ShopApi } from '../api/shop-api';
import { TicketCalls, TicketPageEvents } from './ticket.feature';

const answered = (call: Observable<Dossier>): Observable<Action> =>
  call.pipe(
    map((dossier) => TicketCalls.changed({ dossier })),
    catchError((error: unknown) => of(TicketCalls.refused({ refusal: toRefusal(error) }))),
  );

export const loadTicket = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.opened),
      switchMap(({ id }) => answered(api.ticket(id))),
    ),
  { functional: true },
);

export const keepReadings = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.readingsKept),
      concatMap(({ id, kind, change }) => answered(api.keepReadings(id, kind, change))),
    ),
  { functional: true },
);

export const acceptPlan = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.planAccepted),
      concatMap(({ id, choice }) => answered(api.acceptPlan(id, choice))),
    ),
  { functional: true },
);

export const judgeCut = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.cutJudged),
      concatMap(({ id, check }) => answered(api.check(id, check))),
    ),
  { functional: true },
);

export const handOver = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.handedOver),
      concatMap(({ id, handover }) => answered(api.handover(id, handover))),
    ),
  { functional: true },
);

export const editTicket = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.ticketEdited),
      concatMap(({ id, change }) => answered(api.editTicket(id, change))),
    ),
  { functional: true },
);

export const finishJob = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.jobFinished),
      concatMap(({ id, job }) => answered(api.finishJob(id, job))),
    ),
  { functional: true },
);

export const declineTicket = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.ticketDeclined),
      concatMap(({ id, change }) => answered(api.declineTicket(id, change))),
    ),
  { functional: true },
);

export const addPhotograph = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.photographAdded),
      concatMap(({ id, photograph }) => answered(api.addPhotograph(id, photograph))),
    ),
  { functional: true },
);

export const removePhotograph = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.photographRemoved),
      concatMap(({ id, photograph }) => answered(api.removePhotograph(id, photograph))),
    ),
  { functional: true },
);

export const openGauging = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.gaugingOpened),
      concatMap(({ id, gauging }) => answered(api.openGauging(id, gauging))),
    ),
  { functional: true },
);

export const addGauged = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.gaugedAdded),
      concatMap(({ id, session, readings }) => answered(api.addGauged(id, session, readings))),
    ),
  { functional: true },
);

export const addAngles = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.anglesAdded),
      concatMap(({ id, session, readings }) => answered(api.addAngles(id, session, readings))),
    ),
  { functional: true },
);

export const finishGauging = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.gaugingFinished),
      concatMap(({ id, session, note }) => answered(api.finishGauging(id, session, note))),
    ),
  { functional: true },
);

export const writeMessage = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.messageWritten),
      concatMap(({ id, message }) => answered(api.writeMessage(id, message))),
    ),
  { functional: true },
);
