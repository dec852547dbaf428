import type { BenchState } from '@odontis/contract/bench';
import type { Handover, NewCheck } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import type { PlanChoice } from '@odontis/contract/plan';
import type { MeasuringKind, ReadingsChange } from '@odontis/contract/readings';
import type { NewAngle, NewGauged, NewGauging } from '@odontis/contract/gauging';
import type { NewMessage, NewPhotograph } from '@odontis/contract/notes';
import type { DeclineChange, JobDone, Stage, TicketChange } from '@odontis/contract/ticket';
import { createActionGroup, createFeature, createReducer, emptyProps, on, props } from '@ngrx/store';
import type { Refusal } from '../api/refusal';

/** What a person did on a ticket's page. */
export const TicketPageEvents = createActionGroup({
  source: 'Ticket page',
  events: {
    Opened: props<{ id: number }>(),
    'Readings kept': props<{ id: number; kind: MeasuringKind; change: ReadingsChange }>(),
    'Plan accepted': props<{ id: number; choice: PlanChoice }>(),
    'Cut judged': props<{ id: number; check: NewCheck }>(),
    'Handed over': props<{ id: number; handover: Handover }>(),
    'Ticket edited': props<{ id: number; change: TicketChange }>(),
    'Job finished': props<{ id: number; job: JobDone }>(),
    'Ticket declined': props<{ id: number; change: DeclineChange }>(),
    'Photograph added': props<{ id: number; photograph: NewPhotograph }>(),
    'Photograph removed': props<{ id: number; photograph: number }>(),
    'Gauging opened': props<{ id: number; gauging: NewGauging }>(),
    'Gauged added': props<{ id: number; session: number; readings: readonly NewGauged[] }>(),
    'Angles added': props<{ id: number; session: number; readings: readonly NewAngle[] }>(),
    'Gauging finished': props<{ id: number; session: number; note: string }>(),
    'Message written': props<{ id: number; message: NewMessage }>(),
    'Bench caught up': props<{ id: number; state: BenchState }>(),
    'Theirs taken': props<{ dossier: Dossier }>(),
    'Refusal read': emptyProps(),
  },
});

export const TicketCalls = createActionGroup({
  source: 'Ticket API',
  events: {
    Loaded: props<{ dossier: Dossier }>(),
    Changed: props<{ dossier: Dossier }>(),
    Refused: props<{ refusal: Refusal }>(),
  },
});

export interface TicketState {
  readonly dossier: Dossier | null;
  readonly wantedId: number | null;
  readonly refusal: Refusal | null;
  readonly busy: boolean;
}

const initial: TicketState = { dossier: null, wantedId: null, refusal: null, busy: false };

const working = (state: TicketState): TicketState => ({ ...state, busy: true, refusal: null });

export const ticketFeature = createFeature({
  name: 'ticket',
  reducer: createReducer(
    initial,
    on(TicketPageEvents.opened, (state, { id }): TicketState => ({
      ...state,
      wantedId: id,
      dossier: state.dossier?.ticket.id === id ? state.dossier : null,
      refusal: null,
    })),
    on(
      TicketPageEvents.readingsKept,
      TicketPageEvents.planAccepted,
      TicketPageEvents.cutJudged,
      TicketPageEvents.handedOver,
      TicketPageEvents.ticketEdited,
      TicketPageEvents.jobFinished,
      TicketPageEvents.ticketDeclined,
      TicketPageEvents.photographAdded,
      TicketPageEvents.photographRemoved,
      TicketPageEvents.messageWritten,
      TicketPageEvents.gaugingOpened,
      TicketPageEvents.gaugedAdded,
      TicketPageEvents.anglesAdded,
      TicketPageEvents.gaugingFinished,
      working,
    ),
    on(TicketCalls.loaded, TicketCalls.changed, (state, { dossier }): TicketState =>
      dossier.ticket.id === state.wantedId ? { ...state, dossier, busy: false, refusal: null } : state,
    ),
    on(TicketPageEvents.theirsTaken, (state, { dossier }): TicketState => ({
      ...state,
      dossier,
      busy: false,
      refusal: null,
    })),
    on(TicketCalls.refused, (state, { refusal }): TicketState => ({ ...state, refusal, busy: false })),
    on(TicketPageEvents.refusalRead, (state): TicketState => ({ ...state, refusal: null })),
    on(TicketPageEvents.benchCaughtUp, (state, { id, state: bench }): TicketState => {
      const { dossier } = state;
      if (dossier?.ticket.id !== id || dossier.plan?.id !== bench.planId) return state;
      const moved = bench.stage !== dossier.ticket.stage;
      const ticket = moved
        ? { ...dossier.ticket, stage: bench.stage as Stage, version: dossier.ticket.version + 1 }
        : dossier.ticket;
      return { ...state, dossier: { ...dossier, ticket, plan: { ...dossier.plan, done: bench.done } } };
    }),
  ),
});
