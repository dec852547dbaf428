import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { BenchEvents, BenchState } from '@odontis/contract/bench';
import { benchState } from '@odontis/contract/bench';
import type { CopiesState } from '@odontis/contract/copies';
import { copiesState } from '@odontis/contract/copies';
import type { HandoverSaid, NewCheck } from '@odontis/contract/check';
import type { CardsTaken, CustomerChange, CustomerPage, MergeChange } from '@odontis/contract/customer';
import { cardsTaken, customerPage } from '@odontis/contract/customer';
import type { Dossier } from '@odontis/contract/dossier';
import { dossier } from '@odontis/contract/dossier';
import type { EvidenceKept, NewEvidence } from '@odontis/contract/evidence';
import { evidenceKept } from '@odontis/contract/evidence';
import type { LabelPrinter, NewMessage, NewPhotograph, OutboxMessage } from '@odontis/contract/notes';
import { labelPrinter, outboxMessage } from '@odontis/contract/notes';
import type { ChangesPage } from '@odontis/contract/changes';
import { changesPage } from '@odontis/contract/changes';
import type { ChangeOver, Device, DoorState, FirstOwner, SignIn } from '@odontis/contract/door';
import { devices, doorState, SITTING_HEADER } from '@odontis/contract/door';
import type {
  CodeChange,
  NewCalibration,
  NewPerson,
  PasswordChange,
  Person,
  PersonChange,
} from '@odontis/contract/people';
import { person } from '@odontis/contract/people';
import type { MachineState } from '@odontis/contract/machine';
import { machineState } from '@odontis/contract/machine';
import type { PlanChoice } from '@odontis/contract/plan';
import type { Shop, ShopChange } from '@odontis/contract/shop';
import type { KeptStoreRoom, NewTool, NewToolDeed } from '@odontis/contract/store';
import { storeRoom } from '@odontis/contract/store';
import type { Tool } from '@odontis/core/store/tool';
import { learning } from '@odontis/contract/learning';
import type { Learning } from '@odontis/contract/learning';
import { shop } from '@odontis/contract/shop';
import type {
  AlikeSaw,
  CounterBook,
  CustomerFound,
  EndSaid,
  KnownSaw,
  NewTicket,
  RackRow,
  ReopenChange,
  Stage,
  TicketChange,
} from '@odontis/contract/ticket';
import { alikeSaw, counterBook, customerFound, knownSaw, rackRow, ticketNumbered } from '@odontis/contract/ticket';
import type { SawCorrectionSaid } from '@odontis/contract/corrections';
import type { OutworkBackSaid, OutworkSaid } from '@odontis/contract/outwork';
import type { PreparationSaid } from '@odontis/contract/preparing';
import type { PriceWordSaid } from '@odontis/contract/price';
import type { PlaceKeeping } from '@odontis/core/work/place-keeping';
import type { Family } from '@odontis/core/saw/all-families';
import type { Saw } from '@odontis/core/saw/saw';
import type { Observable } from 'rxjs';
import { map, tap } from 'rxjs';
import type { Schema } from './refusal';
import { Unreadable } from './refusal';

type Params = Readonly<Record<string, string | number | boolean>>;

/** An answer as the contract knows it; anything else is no answer. */
const read =
  <T>(schema: Schema<T>) =>
  (body: unknown): T => {
    const answer = schema.safeParse(body);
    if (!answer.success) throw new Unreadable(answer.error.issues[0]);
    return answer.data;
  };

const persons = person.array();
const rackRows = rackRow.array();
const customerFounds = customerFound.array();
const knownSaws = knownSaw.array();
const alikeSaws = alikeSaw.array();
const outboxMessages = outboxMessage.array();

/** Every route of the server, typed by the contract. Over 250 lines: a few for each route, read as one list. */
@Injectable({ providedIn: 'root' })
export class ShopApi {
  private readonly http = inject(HttpClient);

  private get<T>(schema: Schema<T>, path: string, options: { readonly params?: Params } = {}): Observable<T> {
    return this.http.get(path, options).pipe(map(read(schema)));
  }
  /** `sitting`: in whose sitting it was done, where it may have waited since. */
  private post<T>(schema: Schema<T>, path: string, body: unknown, sitting: string | null = null): Observable<T> {
    const headers: Record<string, string> = sitting === null ? {} : { [SITTING_HEADER]: sitting };
    return this.http.post(path, body, { headers }).pipe(map(read(schema)));
  }
  /** Keys of what is being made and was not answered yet, by what it is. */
  private readonly unanswered = new Map<string, string>();
  /** Something made: pressed again after a lost answer it goes with the same key, and is made once. */
  private create<T>(schema: Schema<T>, path: string, body: object): Observable<T> {
    const what = `${path} ${JSON.stringify(body)}`;
    const key = this.unanswered.get(what) ?? crypto.randomUUID();
    this.unanswered.set(what, key);
    return this.post(schema, path, { ...body, key }).pipe(tap(() => this.unanswered.delete(what)));
  }
  private put<T>(schema: Schema<T>, path: string, body: unknown): Observable<T> {
    return this.http.put(path, body).pipe(map(read(schema)));
  }
  private patch<T>(schema: Schema<T>, path: string, body: unknown): Observable<T> {
    return this.http.patch(path, body).pipe(map(read(schema)));
  }
  private delete<T>(schema: Schema<T>, path: string): Observable<T> {
    return this.http.delete(path).pipe(map(read(schema)));
  }

  door(): Observable<DoorState> {
    return this.get(doorState, '/api/door');
  }
  makeFirstOwner(owner: FirstOwner): Observable<DoorState> {
    return this.post(doorState, '/api/door/first', owner);
  }
  signIn(told: SignIn): Observable<DoorState> {
    return this.post(doorState, '/api/door/sign-in', told);
  }
  enterDemo(personId: number): Observable<DoorState> {
    return this.post(doorState, '/api/door/demo', { personId });
  }
  changeOver(change: ChangeOver): Observable<DoorState> {
    return this.post(doorState, '/api/door/change-over', change);
  }
  lock(): Observable<DoorState> {
    return this.post(doorState, '/api/door/lock', {});
  }
  signOut(): Observable<DoorState> {
    return this.delete(doorState, '/api/door');
  }
  devices(): Observable<Device[]> {
    return this.get(devices, '/api/devices');
  }
  endDevice(id: number): Observable<Device[]> {
    return this.delete(devices, `/api/devices/${id}`);
  }
  changes(before?: number): Observable<ChangesPage> {
    return this.get(changesPage, '/api/changes', { params: before === undefined ? {} : { before } });
  }
  changePerson(id: number, change: PersonChange): Observable<Person[]> {
    return this.put(persons, `/api/people/${id}`, change);
  }
  setPassword(id: number, change: PasswordChange): Observable<Person[]> {
    return this.put(persons, `/api/people/${id}/password`, change);
  }
  setCode(id: number, change: CodeChange): Observable<Person[]> {
    return this.put(persons, `/api/people/${id}/code`, change);
  }
  choosePlace(id: number, place: PlaceKeeping): Observable<Person[]> {
    return this.put(persons, `/api/people/${id}/place`, place);
  }
  shop(): Observable<Shop> {
    return this.get(shop, '/api/shop');
  }
  learning(): Observable<Learning> {
    return this.get(learning, '/api/learning');
  }
  changeShop(change: ShopChange): Observable<Shop> {
    return this.put(shop, '/api/shop', change);
  }
  people(): Observable<Person[]> {
    return this.get(persons, '/api/people');
  }
  addPerson(person: NewPerson): Observable<Person[]> {
    return this.create(persons, '/api/people', person);
  }
  addCalibration(personId: number, calibration: NewCalibration): Observable<Person[]> {
    return this.post(persons, `/api/people/${personId}/calibrations`, calibration);
  }
  storeRoom(): Observable<KeptStoreRoom> {
    return this.get(storeRoom, '/api/store');
  }
  addTool(tool: NewTool): Observable<KeptStoreRoom> {
    return this.post(storeRoom, '/api/store/tools', tool);
  }
  changeTool(id: number, tool: Tool): Observable<KeptStoreRoom> {
    return this.put(storeRoom, `/api/store/tools/${id}`, tool);
  }
  toolDeed(id: number, deed: NewToolDeed): Observable<KeptStoreRoom> {
    return this.post(storeRoom, `/api/store/tools/${id}/deeds`, deed);
  }
  copies(): Observable<CopiesState> {
    return this.get(copiesState, '/api/copies');
  }
  copyNow(): Observable<CopiesState> {
    return this.post(copiesState, '/api/copies', {});
  }
  machine(): Observable<MachineState> {
    return this.get(machineState, '/api/machine');
  }
  rack(): Observable<RackRow[]> {
    return this.get(rackRows, '/api/rack');
  }
  customers(typed: string): Observable<CustomerFound[]> {
    return this.get(customerFounds, '/api/customers', { params: { typed } });
  }
  customer(id: number): Observable<CustomerPage> {
    return this.get(customerPage, `/api/customers/${id}`);
  }
  changeCustomer(id: number, change: CustomerChange): Observable<CustomerPage> {
    return this.put(customerPage, `/api/customers/${id}`, change);
  }
  mergeCustomers(id: number, change: MergeChange): Observable<CustomerPage> {
    return this.post(customerPage, `/api/customers/${id}/merge`, change);
  }
  forgetCustomer(id: number, version: number): Observable<CustomerPage> {
    return this.post(customerPage, `/api/customers/${id}/forget`, { version });
  }
  takeCards(text: string): Observable<CardsTaken> {
    return this.post(cardsTaken, '/api/customers/cards', { text });
  }
  knownSaws(customerId: number): Observable<KnownSaw[]> {
    return this.get(knownSaws, `/api/customers/${customerId}/saws`);
  }
  alikeSaws(saw: Saw, customerId: number | null): Observable<AlikeSaw[]> {
    const { family, name, marksOnIt, toothLineMm, pitchMm, plateThicknessMm, plateDepthHeelMm } = saw;
    const params = { family, name, marksOnIt, toothLineMm, pitchMm, plateThicknessMm, plateDepthHeelMm };
    return this.get(alikeSaws, '/api/saws/alike', {
      params: customerId === null ? params : { ...params, customerId },
    });
  }
  counterBook(): Observable<CounterBook> {
    return this.get(counterBook, '/api/counter');
  }
  ticketNumbered(number: number): Observable<{ id: number; stage: Stage; family: Family }> {
    return this.get(ticketNumbered, `/api/tickets/numbered/${number}`);
  }
  endTicket(id: number, change: EndSaid): Observable<Dossier> {
    return this.create(dossier, `/api/tickets/${id}/end`, change);
  }
  reopenTicket(id: number, change: ReopenChange): Observable<Dossier> {
    return this.post(dossier, `/api/tickets/${id}/reopen`, change);
  }
  prepare(id: number, preparation: PreparationSaid): Observable<Dossier> {
    return this.create(dossier, `/api/tickets/${id}/preparing`, preparation);
  }
  putSawRight(id: number, correction: SawCorrectionSaid): Observable<Dossier> {
    return this.create(dossier, `/api/tickets/${id}/saw`, correction);
  }
  sendOut(id: number, outwork: OutworkSaid): Observable<Dossier> {
    return this.create(dossier, `/api/tickets/${id}/outwork`, outwork);
  }
  cameBack(id: number, back: OutworkBackSaid): Observable<Dossier> {
    return this.create(dossier, `/api/tickets/${id}/outwork/back`, back);
  }
  sayPrice(id: number, word: PriceWordSaid): Observable<Dossier> {
    return this.create(dossier, `/api/tickets/${id}/price`, word);
  }
  addEvidence(id: number, evidence: NewEvidence, sitting: string | null): Observable<EvidenceKept> {
    return this.post(evidenceKept, `/api/tickets/${id}/evidence`, evidence, sitting);
  }
  finishSession(id: number, session: string, note: string): Observable<Dossier> {
    return this.post(dossier, `/api/tickets/${id}/sessions/${session}/finish`, { note });
  }
  lineMeasured(id: number, version: number): Observable<Dossier> {
    return this.post(dossier, `/api/tickets/${id}/measured`, { version });
  }
  addPhotograph(id: number, photograph: NewPhotograph): Observable<Dossier> {
    return this.create(dossier, `/api/tickets/${id}/photographs`, photograph);
  }
  removePhotograph(id: number, photograph: number): Observable<Dossier> {
    return this.delete(dossier, `/api/tickets/${id}/photographs/${photograph}`);
  }
  writeMessage(id: number, message: NewMessage): Observable<Dossier> {
    return this.create(dossier, `/api/tickets/${id}/messages`, message);
  }
  outbox(): Observable<OutboxMessage[]> {
    return this.get(outboxMessages, '/api/outbox');
  }
  carryOutbox(): Observable<OutboxMessage[]> {
    return this.post(outboxMessages, '/api/outbox/carry', {});
  }
  labelPrinter(): Observable<LabelPrinter> {
    return this.get(labelPrinter, '/api/labels');
  }
  printLabels(tickets: readonly number[]): Observable<LabelPrinter> {
    return this.create(labelPrinter, '/api/labels', { tickets });
  }
  loadRoll(): Observable<LabelPrinter> {
    return this.post(labelPrinter, '/api/labels/roll', {});
  }
  openTicket(ticket: NewTicket): Observable<Dossier> {
    return this.post(dossier, '/api/tickets', ticket);
  }
  ticket(id: number): Observable<Dossier> {
    return this.get(dossier, `/api/tickets/${id}`);
  }
  editTicket(id: number, change: TicketChange): Observable<Dossier> {
    return this.patch(dossier, `/api/tickets/${id}`, change);
  }
  acceptPlan(id: number, choice: PlanChoice): Observable<Dossier> {
    return this.post(dossier, `/api/tickets/${id}/plan`, choice);
  }
  bench(id: number, events: BenchEvents, sitting: string | null): Observable<BenchState> {
    return this.post(benchState, `/api/tickets/${id}/bench`, events, sitting);
  }
  check(id: number, check: NewCheck): Observable<Dossier> {
    return this.post(dossier, `/api/tickets/${id}/checks`, check);
  }
  handover(id: number, handover: HandoverSaid): Observable<Dossier> {
    return this.create(dossier, `/api/tickets/${id}/handover`, handover);
  }
}
