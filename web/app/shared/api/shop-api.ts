import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { BenchEvents, BenchState } from '@odontis/contract/bench';
import type { Handover, NewCheck } from '@odontis/contract/check';
import type { CardsTaken, CustomerChange, CustomerPage, MergeChange } from '@odontis/contract/customer';
import type { Dossier } from '@odontis/contract/dossier';
import type { EvidenceKept, NewEvidence } from '@odontis/contract/evidence';
import type { NewCalibration, NewPerson, Person } from '@odontis/contract/people';
import type { PlanChoice } from '@odontis/contract/plan';
import type { Shop, ShopChange } from '@odontis/contract/shop';
import type { LabelPrinter, NewMessage, NewPhotograph, OutboxMessage } from '@odontis/contract/notes';
import type {
  AlikeSaw,
  CounterBook,
  CustomerFound,
  DeclineChange,
  JobDone,
  KnownSaw,
  NewTicket,
  RackRow,
  Stage,
  TicketChange,
} from '@odontis/contract/ticket';
import type { Saw } from '@odontis/core/saw/saw';
import type { Family } from '@odontis/core/saw/all-families';
import type { Observable } from 'rxjs';

/** Every route of the server, typed by the contract. */
@Injectable({ providedIn: 'root' })
export class ShopApi {
  private readonly http = inject(HttpClient);

  shop(): Observable<Shop> {
    return this.http.get<Shop>('/api/shop');
  }
  changeShop(change: ShopChange): Observable<Shop> {
    return this.http.put<Shop>('/api/shop', change);
  }
  people(): Observable<Person[]> {
    return this.http.get<Person[]>('/api/people');
  }
  addPerson(person: NewPerson): Observable<Person[]> {
    return this.http.post<Person[]>('/api/people', person);
  }
  addCalibration(personId: number, calibration: NewCalibration): Observable<Person[]> {
    return this.http.post<Person[]>(`/api/people/${personId}/calibrations`, calibration);
  }
  rack(): Observable<RackRow[]> {
    return this.http.get<RackRow[]>('/api/rack');
  }
  customers(typed: string): Observable<CustomerFound[]> {
    return this.http.get<CustomerFound[]>('/api/customers', { params: { typed } });
  }
  customer(id: number): Observable<CustomerPage> {
    return this.http.get<CustomerPage>(`/api/customers/${id}`);
  }
  changeCustomer(id: number, change: CustomerChange): Observable<CustomerPage> {
    return this.http.put<CustomerPage>(`/api/customers/${id}`, change);
  }
  mergeCustomers(id: number, change: MergeChange): Observable<CustomerPage> {
    return this.http.post<CustomerPage>(`/api/customers/${id}/merge`, change);
  }
  forgetCustomer(id: number, version: number): Observable<CustomerPage> {
    return this.http.post<CustomerPage>(`/api/customers/${id}/forget`, { version });
  }
  takeCards(text: string): Observable<CardsTaken> {
    return this.http.post<CardsTaken>('/api/customers/cards', { text });
  }
  knownSaws(customerId: number): Observable<KnownSaw[]> {
    return this.http.get<KnownSaw[]>(`/api/customers/${customerId}/saws`);
  }
  alikeSaws(saw: Saw, customerId: number | null): Observable<AlikeSaw[]> {
    const { family, name, marksOnIt, toothLineMm, pitchMm, plateThicknessMm, plateDepthHeelMm } = saw;
    const params = { family, name, marksOnIt, toothLineMm, pitchMm, plateThicknessMm, plateDepthHeelMm };
    return this.http.get<AlikeSaw[]>('/api/saws/alike', {
      params: customerId === null ? params : { ...params, customerId },
    });
  }
  counterBook(): Observable<CounterBook> {
    return this.http.get<CounterBook>('/api/counter');
  }
  ticketNumbered(number: number): Observable<{ id: number; stage: Stage; family: Family }> {
    return this.http.get<{ id: number; stage: Stage; family: Family }>(`/api/tickets/numbered/${number}`);
  }
  declineTicket(id: number, change: DeclineChange): Observable<Dossier> {
    return this.http.post<Dossier>(`/api/tickets/${id}/decline`, change);
  }
  finishJob(id: number, job: JobDone): Observable<Dossier> {
    return this.http.post<Dossier>(`/api/tickets/${id}/job`, job);
  }
  addEvidence(id: number, evidence: NewEvidence): Observable<EvidenceKept> {
    return this.http.post<EvidenceKept>(`/api/tickets/${id}/evidence`, evidence);
  }
  finishSession(id: number, session: string, note: string): Observable<Dossier> {
    return this.http.post<Dossier>(`/api/tickets/${id}/sessions/${session}/finish`, { note });
  }
  lineMeasured(id: number, version: number): Observable<Dossier> {
    return this.http.post<Dossier>(`/api/tickets/${id}/measured`, { version });
  }
  addPhotograph(id: number, photograph: NewPhotograph): Observable<Dossier> {
    return this.http.post<Dossier>(`/api/tickets/${id}/photographs`, photograph);
  }
  removePhotograph(id: number, photograph: number): Observable<Dossier> {
    return this.http.delete<Dossier>(`/api/tickets/${id}/photographs/${photograph}`);
  }
  writeMessage(id: number, message: NewMessage): Observable<Dossier> {
    return this.http.post<Dossier>(`/api/tickets/${id}/messages`, message);
  }
  outbox(): Observable<OutboxMessage[]> {
    return this.http.get<OutboxMessage[]>('/api/outbox');
  }
  carryOutbox(): Observable<OutboxMessage[]> {
    return this.http.post<OutboxMessage[]>('/api/outbox/carry', {});
  }
  labelPrinter(): Observable<LabelPrinter> {
    return this.http.get<LabelPrinter>('/api/labels');
  }
  printLabels(tickets: readonly number[]): Observable<LabelPrinter> {
    return this.http.post<LabelPrinter>('/api/labels', { tickets });
  }
  loadRoll(): Observable<LabelPrinter> {
    return this.http.post<LabelPrinter>('/api/labels/roll', {});
  }
  openTicket(ticket: NewTicket): Observable<Dossier> {
    return this.http.post<Dossier>('/api/tickets', ticket);
  }
  ticket(id: number): Observable<Dossier> {
    return this.http.get<Dossier>(`/api/tickets/${id}`);
  }
  editTicket(id: number, change: TicketChange): Observable<Dossier> {
    return this.http.patch<Dossier>(`/api/tickets/${id}`, change);
  }
  acceptPlan(id: number, choice: PlanChoice): Observable<Dossier> {
    return this.http.post<Dossier>(`/api/tickets/${id}/plan`, choice);
  }
  bench(id: number, events: BenchEvents): Observable<BenchState> {
    return this.http.post<BenchState>(`/api/tickets/${id}/bench`, events);
  }
  check(id: number, check: NewCheck): Observable<Dossier> {
    return this.http.post<Dossier>(`/api/tickets/${id}/checks`, check);
  }
  handover(id: number, handover: Handover): Observable<Dossier> {
    return this.http.post<Dossier>(`/api/tickets/${id}/handover`, handover);
  }
}
