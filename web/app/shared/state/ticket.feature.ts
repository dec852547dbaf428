import type { EntityState } from '@ngrx/entity';
import { createEntityAdapter } from '@ngrx/entity';
import { createActionGroup, createFeature, createReducer, createSelector, on, props } from '@ngrx/store';
import type { BenchState } from '@odontis/contract/bench';
import type { HandoverSaid, NewCheck } from '@odontis/contract/check';
import type { Dossier } from '@odontis/contract/dossier';
import type { EvidenceKept, NewEvidence } from '@odontis/contract/evidence';
import type { NewMessage, NewPhotograph } from '@odontis/contract/notes';
import type { PlanChoice } from '@odontis/contract/plan';
import type { SawCorrectionSaid } from '@odontis/contract/corrections';
import type { OutworkBackSaid, OutworkSaid } from '@odontis/contract/outwork';
import type { PreparationSaid } from '@odontis/contract/preparing';
import type { PriceWordSaid } from '@odontis/contract/price';
import type { EndSaid, ReopenChange, TicketChange } from '@odontis/contract/ticket';
import type { Refusal } from '../api/refusal';
import { withEvidence } from './with-evidence';

/** What is asked of the server about a ticket; each has a status of its own. */
export const TICKET_REQUESTS = [
  'load',
  'evidence',
  'session',
  'measured',
  'plan',
  'check',
  'handover',
  'edit',
  'end',
  'price',
  'preparing',
  'saw',
  'outwork',
  'photograph',
  'message',
] as const;
export type TicketRequest = (typeof TICKET_REQUESTS)[number];

/** What a person did on a ticket's page. */
export const TicketPageEvents = createActionGroup({
  source: 'Ticket page',
  events: {
    Opened: props<{ id: number }>(),
    'Evidence taken': props<{ id: number; evidence: NewEvidence; sitting: string | null }>(),
    'Session finished': props<{ id: number; session: string; note: string }>(),
    'Line measured': props<{ id: number; version: number }>(),
    'Plan accepted': props<{ id: number; choice: PlanChoice }>(),
    'Cut judged': props<{ id: number; check: NewCheck }>(),
    'Handed over': props<{ id: number; handover: HandoverSaid }>(),
    'Ticket edited': props<{ id: number; change: TicketChange }>(),
    'Ticket ended': props<{ id: number; change: EndSaid }>(),
    'Ticket reopened': props<{ id: number; change: ReopenChange }>(),
    Prepared: props<{ id: number; preparation: PreparationSaid }>(),
    'Saw put right': props<{ id: number; correction: SawCorrectionSaid }>(),
    'Sent out': props<{ id: number; outwork: OutworkSaid }>(),
    'Came back': props<{ id: number; back: OutworkBackSaid }>(),
    'Price said': props<{ id: number; word: PriceWordSaid }>(),
    'Photograph added': props<{ id: number; photograph: NewPhotograph }>(),
    'Photograph removed': props<{ id: number; photograph: number }>(),
    'Message written': props<{ id: number; message: NewMessage }>(),
    'Bench caught up': props<{ id: number; state: BenchState }>(),
    'Theirs taken': props<{ dossier: Dossier; request: TicketRequest }>(),
    'Refusal read': props<{ id: number; request: TicketRequest }>(),
    'Read anew': props<{ id: number; refused: readonly TicketRequest[] }>(),
  },
});

/** What the server answered. */
export const TicketCalls = createActionGroup({
  source: 'Ticket API',
  events: {
    Answered: props<{ id: number; request: TicketRequest; dossier: Dossier }>(),
    'Evidence kept': props<{ id: number; kept: EvidenceKept }>(),
    Refused: props<{ id: number; request: TicketRequest; refusal: Refusal }>(),
  },
});

export interface RequestState {
  readonly busy: boolean;
  readonly refusal: Refusal | null;
}
const IDLE: RequestState = { busy: false, refusal: null };
const WORKING: RequestState = { busy: true, refusal: null };

export interface TicketState extends EntityState<Dossier> {
  /** The ticket whose page is open. */
  readonly wantedId: number | null;
  /** By ticket and request: what is on its way, what was refused. */
  readonly requests: Readonly<Record<string, RequestState>>;
}

const adapter = createEntityAdapter<Dossier>({ selectId: (dossier) => dossier.ticket.id });
const keyOf = (id: number, request: TicketRequest): string => `${id} ${request}`;
const initial: TicketState = adapter.getInitialState({ wantedId: null, requests: {} });

const marked = (state: TicketState, id: number, request: TicketRequest, as: RequestState): TicketState => ({
  ...state,
  requests: { ...state.requests, [keyOf(id, request)]: as },
});
const working =
  (request: TicketRequest) =>
  (state: TicketState, { id }: { id: number }): TicketState =>
    marked(state, id, request, WORKING);

export const ticketFeature = createFeature({
  name: 'ticket',
  reducer: createReducer(
    initial,
    on(TicketPageEvents.opened, (state, { id }): TicketState =>
      marked({ ...state, wantedId: id }, id, 'load', WORKING),
    ),
    // What was refused was refused as the ticket stood then.
    on(TicketPageEvents.readAnew, (state, { id, refused }): TicketState =>
      refused.reduce((now, request) => marked(now, id, request, IDLE), marked(state, id, 'load', WORKING)),
    ),
    on(TicketPageEvents.evidenceTaken, working('evidence')),
    on(TicketPageEvents.sessionFinished, working('session')),
    on(TicketPageEvents.lineMeasured, working('measured')),
    on(TicketPageEvents.planAccepted, working('plan')),
    on(TicketPageEvents.cutJudged, working('check')),
    on(TicketPageEvents.handedOver, working('handover')),
    on(TicketPageEvents.ticketEdited, working('edit')),
    on(TicketPageEvents.ticketEnded, TicketPageEvents.ticketReopened, working('end')),
    on(TicketPageEvents.priceSaid, working('price')),
    on(TicketPageEvents.prepared, working('preparing')),
    on(TicketPageEvents.sawPutRight, working('saw')),
    on(TicketPageEvents.sentOut, TicketPageEvents.cameBack, working('outwork')),
    on(TicketPageEvents.photographAdded, TicketPageEvents.photographRemoved, working('photograph')),
    on(TicketPageEvents.messageWritten, working('message')),
    on(TicketCalls.answered, (state, { id, request, dossier }): TicketState =>
      marked(adapter.setOne(dossier, state), id, request, IDLE),
    ),
    on(TicketCalls.evidenceKept, (state, { id, kept }): TicketState => {
      const next = marked(state, id, 'evidence', IDLE);
      return adapter.mapOne({ id, map: (dossier) => withEvidence(dossier, kept) }, next);
    }),
    on(TicketCalls.refused, (state, { id, request, refusal }): TicketState =>
      marked(state, id, request, { busy: false, refusal }),
    ),
    on(TicketPageEvents.theirsTaken, (state, { dossier, request }): TicketState =>
      marked(adapter.setOne(dossier, state), dossier.ticket.id, request, IDLE),
    ),
    on(TicketPageEvents.refusalRead, (state, { id, request }): TicketState => marked(state, id, request, IDLE)),
    on(TicketPageEvents.benchCaughtUp, (state, { id, state: bench }): TicketState =>
      adapter.mapOne({ id, map: (dossier) => withBench(dossier, bench) }, state),
    ),
  ),
  extraSelectors: ({ selectEntities, selectWantedId, selectRequests }) => ({
    /** The ticket whose page is open; null until it has come. */
    selectDossier: createSelector(selectEntities, selectWantedId, (all, id): Dossier | null =>
      id === null ? null : (all[id] ?? null),
    ),
    selectWantedRequests: createSelector(
      selectRequests,
      selectWantedId,
      (requests, id) =>
        (request: TicketRequest): RequestState =>
          (id === null ? undefined : requests[keyOf(id, request)]) ?? IDLE,
    ),
  }),
});

/** How one request about the open ticket stands; that of another ticket never shows here. */
export const selectRequest = (request: TicketRequest) =>
  createSelector(ticketFeature.selectWantedRequests, (of) => of(request));

/** What the bench's queue was told: marks, and the stage with the version the ticket now has. An older plan's is passed over. */
function withBench(dossier: Dossier, { planId, done, skipped, stage, version }: BenchState): Dossier {
  const { plan } = dossier;
  if (plan?.id !== planId) return dossier;
  const [out, why] = [new Set(skipped), new Map(plan.skipped.map((one) => [one.stop, one.reason]))];
  const marks = {
    done: done.filter((stop) => !out.has(stop)),
    skipped: skipped.map((stop) => ({ stop, reason: why.get(stop) ?? '' })),
  };
  return { ...dossier, ticket: { ...dossier.ticket, stage, version }, plan: { ...plan, ...marks } };
}
