import { pino } from 'pino';
import supertest from 'supertest';
import { createApp } from '../../app';
import { connect } from '../../database/connect';
import { migrator } from '../../migrations/migrate';
import type { Dossier } from '@odontis/contract/dossier';
import type { Shop } from '@odontis/contract/shop';
import type { RackRow } from '@odontis/contract/ticket';
import { emptyDatabase, newTicketBody, openTestShop, screenHeaders, ticketAt } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';

describe('tickets at the counter', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  const counts = async (): Promise<number[]> =>
    Promise.all([shop.db.models.Customer.count(), shop.db.models.Saw.count(), shop.db.models.Ticket.count()]);

  it('opens customer, saw and ticket together, and says who did', async () => {
    const answer = await shop.send('post', '/api/tickets', newTicketBody());
    const dossier = answer.body as Dossier;
    expect(answer.status).toBe(201);
    expect(dossier.ticket).toEqual(
      jasmine.objectContaining({ stage: 'measure', verdict: 'take', openedBy: 'First Hand' }),
    );
    expect(dossier.saw.pitchMm).toBeCloseTo(25.4 / 14, 9);
    expect(dossier.prices.map((word) => [word.kind, word.quote, word.by])).toEqual([
      ['estimate', String(dossier.ticket.number), 'First Hand'],
    ]);
    const rack = (await shop.send('get', '/api/rack')).body as RackRow[];
    expect(rack.map((r) => r.number)).toContain(dossier.ticket.number);
  });

  it('names every field that does not fit and saves nothing', async () => {
    const before = await counts();
    const wanted = newTicketBody({ promisedOn: 'soon' });
    const body = {
      ...wanted,
      saw: { ...wanted.saw, plateThicknessMm: -1 },
      customer: { name: ' ', phone: '', email: '' },
    };
    const answer = await shop.send('post', '/api/tickets', body);
    expect(answer.status).toBe(400);
    expect(answer.type).toBe('application/problem+json');
    const paths = (answer.body as { errors: { path: string }[] }).errors.map((e) => e.path);
    expect(paths).toEqual(jasmine.arrayContaining(['/customer/name', '/saw/plateThicknessMm', '/intake/promisedOn']));
    expect(await counts()).toEqual(before);
  });

  it('refuses a stiffening back on a hand saw, in the contract and in the database', async () => {
    const wanted = newTicketBody();
    const answer = await shop.send('post', '/api/tickets', { ...wanted, saw: { ...wanted.saw, family: 'hand' } });
    expect((answer.body as { detail: string }).detail).toContain('no stiffening back');
    await expectAsync(
      shop.db.sequelize.query(`INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm,
        plate_thickness_mm, plate_depth_heel_mm, plate_depth_toe_mm, back_fixing, created_by)
        VALUES (1, 'x', 'hand', 'rip', 2, 'points', 300, 0.8, 100, 60, 'folded', 1)`),
    ).toBeRejectedWithError(/check constraint/);
  });

  it('says what a ticket waits for, on the rack too, and that a note wants something to wait for', async () => {
    const { ticket } = (await shop.send('post', '/api/tickets', newTicketBody())).body as Dossier;
    const change = { version: ticket.version, complaint: '', promisedOn: ticket.promisedOn };
    const edit = (more: object) => shop.send('patch', `/api/tickets/${ticket.id}`, { ...change, ...more });
    const bad = await edit({ waitsFor: null, waitsNote: 'new bolts' });
    expect((bad.body as { errors: { path: string }[] }).errors[0]?.path).toBe('/waitsNote');
    expect((await edit({ waitsFor: 'weather' })).status).toBe(400);
    const done = (await edit({ waitsFor: 'part', waitsNote: 'new bolts' })).body as Dossier;
    expect([done.ticket.waitsFor, done.ticket.waitsNote]).toEqual(['part', 'new bolts']);
    const rack = (await shop.send('get', '/api/rack')).body as RackRow[];
    expect(rack.find((r) => r.id === ticket.id)).toEqual(
      jasmine.objectContaining({ waitsFor: 'part', waitsNote: 'new bolts', hands: [shop.person] }),
    );
    await expectAsync(
      shop.db.sequelize.query(`UPDATE ticket SET waits_for = NULL WHERE id = ${ticket.id}`),
    ).toBeRejectedWithError(/check constraint/);
    const over = await shop.send('patch', `/api/tickets/${ticket.id}`, {
      ...change,
      version: 2,
      waitsFor: null,
    });
    const freed = (over.body as Dossier).ticket;
    expect([freed.waitsFor, freed.waitsNote]).toEqual([null, '']);
  });

  it('judges by the shop’s own rules once they are in its book, and refuses rules that are none', async () => {
    const { version, book } = (await shop.send('get', '/api/shop')).body as Shop;
    const put = (judgement: object, at = version) =>
      shop.send('put', '/api/shop', { version: at, book: { ...book, judgement } });
    const bad = await put({ triage: { rules: { nothere: { off: true } } } });
    expect(bad.status).toBe(400);
    expect((bad.body as { errors: { path: string }[] }).errors[0]?.path).toBe('/book/judgement/triage/rules/nothere');
    const marks = [{ kind: 'rust' as const, along: 0.5, down: 0.5 }];
    const rust = newTicketBody({ marks, overrideReason: 'No room on the rack.' });
    const open = async (): Promise<Dossier['ticket']> => {
      const answer = await shop.send('post', '/api/tickets', {
        ...rust,
        key: newTicketBody().key,
        decision: 'decline',
      });
      return (answer.body as Dossier).ticket;
    };
    expect((await open()).verdict).toBe('take');
    const own = await put({ triage: { rules: { rust: { verdict: 'decline', says: 'We do not take rust.' } } } });
    expect(own.status).toBe(200);
    const ticket = await open();
    expect([ticket.verdict, ticket.reasons[0]?.says]).toEqual(['decline', 'We do not take rust.']);
    expect((await put({}, version + 1)).status).toBe(200);
  });

  it('takes against the verdict only with a written reason, and irreversible work only with consent', async () => {
    const hard = newTicketBody({ hardened: 'yes' });
    expect((await shop.send('post', '/api/tickets', hard)).status).toBe(400);
    const declined = await shop.send('post', '/api/tickets', { ...hard, decision: 'decline' });
    expect((declined.body as Dossier).ticket).toEqual(
      jasmine.objectContaining({ stage: 'declined', closedBy: 'First Hand' }),
    );
    const kink = newTicketBody({ marks: [{ kind: 'kink', along: 0.5, down: 0.5 }] });
    expect(((await shop.send('post', '/api/tickets', kink)).body as { code: string }).code).toBe('consent-missing');
    const agreed = newTicketBody({
      marks: [{ kind: 'kink', along: 0.5, down: 0.5 }],
      consents: ['kink-plate', 'nothing'],
    });
    const taken = await shop.send('post', '/api/tickets', agreed);
    expect([taken.status, (taken.body as Dossier).ticket.consents]).toEqual([201, ['kink-plate']]);
  });

  it('never opens two tickets on one saw', async () => {
    const first = await ticketAt(shop, 'measure');
    const again = { ...newTicketBody(), customer: { id: first.customer.id }, saw: { id: first.saw.id } };
    const both = await Promise.all([
      shop.send('post', '/api/tickets', again),
      shop.send('post', '/api/tickets', { ...again, key: newTicketBody().key }),
    ]);
    expect(both.map((a) => (a.body as { code: string }).code)).toEqual(['saw-in-shop', 'saw-in-shop']);
  });

  it('tells the second of two editors and shows both versions', async () => {
    const { ticket } = await ticketAt(shop, 'measure');
    const at = `/api/tickets/${ticket.id}`;
    const mine = { version: ticket.version, complaint: 'mine', promisedOn: '2031-06-01' };
    expect((await shop.send('patch', at, { ...mine, complaint: 'theirs' }, shop.other)).status).toBe(200);
    const refused = await shop.send('patch', at, mine);
    expect(refused.status).toBe(409);
    expect((refused.body as { current: Dossier }).current.ticket.complaint).toBe('theirs');
  });

  it('answers what is nowhere plainly', async () => {
    expect((await shop.send('get', '/api/tickets/999999')).status).toBe(404);
    expect((await shop.send('get', '/api/tickets/abc')).status).toBe(400);
    expect((await shop.send('get', '/api/nothing')).status).toBe(404);
  });

  it('finds customers as typed, by name or telephone, wildcards being only characters', async () => {
    await shop.db.models.Customer.bulkCreate([
      { name: 'Søren 100% Ibs_gaard', phone: '0555 77 88 99', email: '', createdBy: shop.person },
      { name: 'Robert"); DROP TABLE saw;--', phone: '', email: '', createdBy: shop.person },
    ]);
    const names = async (typed: string): Promise<string[]> =>
      ((await shop.send('get', `/api/customers?typed=${encodeURIComponent(typed)}`)).body as { name: string }[]).map(
        (c) => c.name,
      );
    expect(await names('søren')).toEqual(['Søren 100% Ibs_gaard']);
    expect(await names('778899')).toEqual(['Søren 100% Ibs_gaard']);
    expect(await names('0% I')).toEqual(['Søren 100% Ibs_gaard']);
    expect(await names('%%')).toEqual([]);
    expect(await names('DROP TABLE')).toEqual(['Robert"); DROP TABLE saw;--']);
  });
});

describe('the shop’s day', () => {
  it('is the day where the shop stands, not Greenwich’s', async () => {
    const database = await emptyDatabase();
    const db = connect(database.url, 'Pacific/Kiritimati');
    try {
      await migrator(db.sequelize).up();
      const [person] = await db.models.Person.bulkCreate([{ name: 'First Hand', initials: 'FH', role: 'counter' }], {
        returning: true,
      });
      const app = createApp({ db, logger: pino({ level: 'silent' }) });
      const screen = await screenHeaders(db, person?.id ?? 0);
      const opened = await supertest(app).post('/api/tickets').set(screen).send(newTicketBody());
      expect(opened.status).toBe(201);
      await db.sequelize.query(`UPDATE ticket SET opened_at = '2031-05-03T12:00:00Z'`);
      const [row] = (await supertest(app).get('/api/rack').set(screen)).body as RackRow[];
      expect(row?.openedOn).toBe('2031-05-04');
    } finally {
      await db.sequelize.close();
      await database.drop();
    }
  });
});
