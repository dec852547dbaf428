import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import type { Action } from '@ngrx/store';
import type { Dossier } from '@odontis/contract/dossier';
import type { Observable } from 'rxjs';
import { catchError, concatMap, groupBy, map, mergeMap, of, switchMap } from 'rxjs';
import { toRefusal } from '../api/refusal';
import { ShopApi } from '../api/shop-api';
import type { TicketRequest } from './ticket.feature';
import { TicketCalls, TicketPageEvents } from './ticket.feature';

const refused =
  (id: number, request: TicketRequest) =>
  (error: unknown): Observable<Action> =>
    of(TicketCalls.refused({ id, request, refusal: toRefusal(error) }));

/** The answer belongs to the ticket and the request it was asked for, whatever is open by then. */
const answered = (id: number, request: TicketRequest, call: Observable<Dossier>): Observable<Action> =>
  call.pipe(
    map((dossier) => TicketCalls.answered({ id, request, dossier })),
    catchError(refused(id, request)),
  );

export const loadTicket = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.opened, TicketPageEvents.readAnew),
      switchMap(({ id }) => answered(id, 'load', api.ticket(id))),
    ),
  { functional: true },
);

/** Readings go one batch after the other, ticket by ticket. */
export const addEvidence = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.evidenceTaken),
      groupBy(({ id }) => id),
      mergeMap((ofTicket) =>
        ofTicket.pipe(
          concatMap(({ id, evidence, sitting }) =>
            api.addEvidence(id, evidence, sitting).pipe(
              map((kept) => TicketCalls.evidenceKept({ id, kept })),
              catchError(refused(id, 'evidence')),
            ),
          ),
        ),
      ),
    ),
  { functional: true },
);

export const finishSession = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.sessionFinished),
      concatMap(({ id, session, note }) => answered(id, 'session', api.finishSession(id, session, note))),
    ),
  { functional: true },
);

export const lineMeasured = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.lineMeasured),
      concatMap(({ id, version }) => answered(id, 'measured', api.lineMeasured(id, version))),
    ),
  { functional: true },
);

export const acceptPlan = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.planAccepted),
      concatMap(({ id, choice }) => answered(id, 'plan', api.acceptPlan(id, choice))),
    ),
  { functional: true },
);

export const judgeCut = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.cutJudged),
      concatMap(({ id, check }) => answered(id, 'check', api.check(id, check))),
    ),
  { functional: true },
);

export const handOver = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.handedOver),
      concatMap(({ id, handover }) => answered(id, 'handover', api.handover(id, handover))),
    ),
  { functional: true },
);

export const editTicket = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.ticketEdited),
      concatMap(({ id, change }) => answered(id, 'edit', api.editTicket(id, change))),
    ),
  { functional: true },
);

export const endTicket = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.ticketEnded),
      concatMap(({ id, change }) => answered(id, 'end', api.endTicket(id, change))),
    ),
  { functional: true },
);

export const reopenTicket = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.ticketReopened),
      concatMap(({ id, change }) => answered(id, 'end', api.reopenTicket(id, change))),
    ),
  { functional: true },
);

export const keepPreparation = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.prepared),
      concatMap(({ id, preparation }) => answered(id, 'preparing', api.prepare(id, preparation))),
    ),
  { functional: true },
);

export const putSawRight = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.sawPutRight),
      concatMap(({ id, correction }) => answered(id, 'saw', api.putSawRight(id, correction))),
    ),
  { functional: true },
);

export const sendOut = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.sentOut),
      concatMap(({ id, outwork }) => answered(id, 'outwork', api.sendOut(id, outwork))),
    ),
  { functional: true },
);

export const takeBack = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.cameBack),
      concatMap(({ id, back }) => answered(id, 'outwork', api.cameBack(id, back))),
    ),
  { functional: true },
);

export const sayPrice = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.priceSaid),
      concatMap(({ id, word }) => answered(id, 'price', api.sayPrice(id, word))),
    ),
  { functional: true },
);

export const addPhotograph = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.photographAdded),
      concatMap(({ id, photograph }) => answered(id, 'photograph', api.addPhotograph(id, photograph))),
    ),
  { functional: true },
);

export const removePhotograph = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.photographRemoved),
      concatMap(({ id, photograph }) => answered(id, 'photograph', api.removePhotograph(id, photograph))),
    ),
  { functional: true },
);

export const writeMessage = createEffect(
  (actions = inject(Actions), api = inject(ShopApi)) =>
    actions.pipe(
      ofType(TicketPageEvents.messageWritten),
      concatMap(({ id, message }) => answered(id, 'message', api.writeMessage(id, message))),
    ),
  { functional: true },
);
