import { randomUUID } from 'node:crypto';
import type { CardsTaken, CustomerPage } from '@odontis/contract/customer';
import type { Dossier } from '@odontis/contract/dossier';
import { newTicketBody, openTestShop, ticketAt } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';
import { FORGOTTEN_NAME } from './ledger';
import { readCards } from './vcard';

describe('the ledger of customers', () => {
  let shop: TestShop;
  const page = async (id: number): Promise<CustomerPage> =>
    (await shop.send('get', `/api/customers/${id}`)).body as CustomerPage;
  const add = async (name: string, phone = ''): Promise<number> =>
    (await shop.db.models.Customer.create({ name, phone, email: '', createdBy: shop.person })).id;
  const bringSaw = async (id: number, complaint: string): Promise<Dossier> => {
    const wanted = { ...newTicketBody({ complaint }), customer: { id } };
    return (await shop.send('post', '/api/tickets', wanted)).body as Dossier;
  };
  beforeEach(async () => (shop = await openTestShop()));
  afterEach(() => shop.close());

  it('tells details, every saw with its visits, and what they asked for last time', async () => {
    const id = await add('Wren Ashby', '0555 1');
    const first = await bringSaw(id, 'Drifts to the left.');
    const told = await page(id);
    expect(told.saws.map((s) => s.visits.map((v) => v.number))).toEqual([[first.ticket.number]]);
    expect(told.lastWords).toBe('Drifts to the left.');
    expect((await shop.send('get', '/api/customers/99999')).status).toBe(404);
  });

  it('changes details and the people of a business at once; the second of two is told and loses nothing', async () => {
    const id = await add('Quayside Boatyard');
    const change = {
      version: 1,
      name: 'Quayside Boatyard',
      phone: '0555 20',
      email: '',
      business: true,
      note: 'Knock at the side door.',
      contacts: [
        { name: 'Ilse', phone: '0555 21', email: '' },
        { name: 'Ömer', phone: '', email: 'omer@boatyard.example' },
      ],
    };
    const done = await shop.send('put', `/api/customers/${id}`, change);
    expect((done.body as CustomerPage).contacts.map((c) => c.name)).toEqual(['Ilse', 'Ömer']);
    const late = await shop.send('put', `/api/customers/${id}`, { ...change, phone: '1' }, shop.other);
    expect(late.status).toBe(409);
    expect((late.body as { current: CustomerPage }).current.phone).toBe('0555 20');
    const bad = await shop.send('put', `/api/customers/${id}`, {
      ...change,
      version: 2,
      name: ' ',
      contacts: [{ name: '' }],
    });
    expect((bad.body as { errors: { path: string }[] }).errors.map((e) => e.path)).toEqual(
      jasmine.arrayContaining(['/name', '/contacts/0/name']),
    );
  });

  it('names who may be the same, and makes two records one: saws, contacts and gaps filled, nothing lost', async () => {
    const [id, double] = [await add('Zoë Castañeda'), await add('Zoe Castaneda', '0555 778899')];
    await bringSaw(double, 'Binds.');
    expect((await page(id)).alike.map((a) => a.id)).toEqual([double]);
    const merged = await shop.send('post', `/api/customers/${id}/merge`, { version: 1, doubleId: double });
    const told = merged.body as CustomerPage;
    expect([told.phone, told.saws.length, told.lastWords, told.alike]).toEqual(['0555 778899', 1, 'Binds.', []]);
    expect((await shop.send('get', `/api/customers/${double}`)).status).toBe(404);
    expect((await shop.send('post', `/api/customers/${id}/merge`, { version: 2, doubleId: id })).status).toBe(400);
    expect((await shop.send('post', `/api/customers/${id}/merge`, { version: 1, doubleId: 77 })).status).toBe(404);
  });

  it('thirty who are told that it was changed meanwhile hold nobody up: each is told on the connection it has', async () => {
    const id = await add('Stale Record', '0555 90');
    const { ticket } = await bringSaw(id, 'dull');
    const { version, book } = (await shop.send('get', '/api/shop')).body as { version: number; book: object };
    const many = <T>(one: () => Promise<T>): Promise<T>[] => Array.from({ length: 30 }, one);
    const details = { name: 'Other', phone: '', email: '', business: false, note: '', contacts: [], version: 40 };
    const change = { version: 40, complaint: 'x', promisedOn: '2031-05-04' };
    for (const stale of [
      () => shop.send('put', `/api/customers/${id}`, details),
      () => shop.send('put', '/api/shop', { version: version + 40, book }),
      () => shop.send('patch', `/api/tickets/${ticket.id}`, change),
    ]) {
      const beside = many(() => shop.send('get', '/api/rack'));
      const answers = await Promise.all(many(stale));
      expect(new Set(answers.map((answer) => answer.status))).toEqual(new Set([409]));
      expect(new Set((await Promise.all(beside)).map((answer) => answer.status))).toEqual(new Set([200]));
    }
  });

  it('a business with forty contacts is saved, read and saved again', async () => {
    const id = await add('Forty Hands', '0555 91');
    const contacts = Array.from({ length: 40 }, (_, i) => ({ name: `Hand ${i}`, phone: '', email: '' }));
    const details = { name: 'Forty Hands', phone: '', email: '', business: true, note: '' };
    for (const version of [1, 2])
      expect((await shop.send('put', `/api/customers/${id}`, { ...details, contacts, version })).status).toBe(200);
  });

  it('two merges of one pair at once: one is done, the other told', async () => {
    const [a, b] = [await add('A'), await add('B')];
    const answers = await Promise.all([
      shop.send('post', `/api/customers/${a}/merge`, { version: 1, doubleId: b }),
      shop.send('post', `/api/customers/${b}/merge`, { version: 1, doubleId: a }),
    ]);
    expect(answers.map((r) => r.status).sort()).toEqual([200, 404]);
    expect(await shop.db.models.Customer.count()).toBe(1);
  });

  it('exports everything of one person, and takes it out for good, but not while a saw is in the shop', async () => {
    const id = await add('Søren Ibsgaard', '0555 4');
    const { ticket } = await bringSaw(id, 'My late father’s saw.');
    const everything = (await shop.send('get', `/api/customers/${id}/everything.json`)).text;
    for (const word of ['Søren Ibsgaard', '0555 4', 'My late father’s saw.']) expect(everything).toContain(word);
    const refused = await shop.send('post', `/api/customers/${id}/forget`, { version: 1 });
    expect([refused.status, (refused.body as { detail: string }).detail]).toEqual([
      409,
      `A saw of theirs is in the shop on ticket no. ${ticket.number}: hand it over first.`,
    ]);
    await shop.db.sequelize.query(
      `UPDATE ticket SET stage = 'closed', closed_by = 1, closed_at = now() WHERE id = ${ticket.id}`,
    );
    // What was written beside the saw, wherever a hand can write.
    await shop.db.sequelize.query(`
      UPDATE ticket SET waits_for = 'customer', waits_note = 'Søren calls back' WHERE id = ${ticket.id};
      UPDATE saw SET name = 'Søren’s saw' WHERE customer_id = ${id};
      INSERT INTO session (key, ticket_id, kind, started_by) VALUES (gen_random_uuid(), ${ticket.id}, 'before', 1);
      INSERT INTO evidence (key, session_id, quantity, place, value_word, gauge, set_aside, taken_by)
        SELECT gen_random_uuid(), id, 'note', 1, 'Søren’s nail', 'eye', false, 1 FROM session WHERE ticket_id = ${ticket.id};`);
    const gone = (await shop.send('post', `/api/customers/${id}/forget`, { version: 1 })).body as CustomerPage;
    expect([gone.name, gone.phone, gone.lastWords]).toEqual([FORGOTTEN_NAME, '', '']);
    expect(gone.forgottenAt).not.toBeNull();
    const after = (await shop.send('get', `/api/customers/${id}/everything.json`)).text;
    for (const word of ['Søren', '0555 4', 'father']) expect(after).not.toContain(word);
    expect([gone.saws.length, gone.saws[0]?.name]).toEqual([1, 'back saw']);
    const dossier = (await shop.send('get', `/api/tickets/${ticket.id}`)).text;
    for (const word of ['Søren', 'nail', 'father']) expect(dossier).not.toContain(word);
    expect((await shop.send('get', '/api/customers?typed=removed')).body).toEqual([]);
  });

  it('why a plan was chosen goes too; the plan itself stays', async () => {
    const { ticket, customer, plan } = await ticketAt(shop, 'bench');
    await shop.db.models.PlanReason.create({ planId: plan?.id ?? 0, why: 'Wren wants it tonight' });
    const read = async () => (await shop.send('get', `/api/tickets/${ticket.id}`)).body as Dossier;
    expect((await read()).plan?.why).toBe('Wren wants it tonight');
    await shop.db.sequelize.query(
      `UPDATE ticket SET stage = 'closed', closed_by = 1, closed_at = now() WHERE id = ${ticket.id}`,
    );
    expect((await shop.send('post', `/api/customers/${customer.id}/forget`, { version: 1 })).status).toBe(200);
    const after = await read();
    expect([after.plan?.why, after.plan?.id]).toEqual(['', plan?.id]);
  });

  it('what was put right and said at the vise goes with its words; which file was used stays', async () => {
    const { ticket, customer, plan, saw } = await ticketAt(shop, 'bench');
    const at = `/api/tickets/${ticket.id}`;
    const press = (action: string, reason: string) => ({
      ...{ id: randomUUID(), stop: 0, action, at: new Date().toISOString(), reason },
    });
    await shop.send('post', `${at}/bench`, {
      planId: plan?.id,
      events: [press('stopped', 'Wren rang'), press('file', '6 in slim taper')],
    });
    const { id: _id, ...told } = saw;
    const corrected = await shop.send('post', `${at}/saw`, {
      ...{ key: randomUUID(), version: ticket.version, why: 'Wren says so' },
      saw: { ...told, marksOnIt: 'W. Ashby' },
    });
    expect(corrected.status).toBe(201);
    await shop.db.sequelize.query(
      `UPDATE ticket SET stage = 'closed', closed_by = 1, closed_at = now() WHERE id = ${ticket.id}`,
    );
    expect((await shop.send('post', `/api/customers/${customer.id}/forget`, { version: 1 })).status).toBe(200);
    const after = (await shop.send('get', at)).body as Dossier;
    expect(JSON.stringify(after)).not.toMatch(/Wren|Ashby/);
    expect([after.corrections, after.plan?.files.map(({ name }) => name)]).toEqual([[], ['6 in slim taper']]);
  });

  it('writes a vCard and reads it back, a business with its people', async () => {
    const id = await add('Lantern; Theatre, scene shop', '0555 30');
    const contacts = [{ name: 'Noor “Nails” 李', phone: '0555 31', email: 'noor@lantern.example' }];
    const told = await page(id);
    await shop.send('put', `/api/customers/${id}`, {
      ...told,
      business: true,
      note: 'Line one\nline two; three',
      contacts,
    });
    const card = (await shop.send('get', `/api/customers/${id}/card.vcf`)).text;
    expect(card).toContain('VERSION:4.0');
    const read = readCards(card);
    expect(read.ok && read.cards).toEqual([
      {
        name: 'Lantern; Theatre, scene shop',
        org: '',
        phone: '0555 30',
        email: '',
        business: true,
        note: 'Line one\nline two; three',
        contacts,
      } as never,
    ]);
  });

  it('takes cards of any version: the new are added, the known left alone', async () => {
    await add('Known Already', '0555 9');
    const text = [
      'BEGIN:VCARD\nVERSION:3.0\nN:Ångström;Søren;;;\nFN:Søren Ångström\nTEL;TYPE=WORK:0555 12\nEMAIL:soren@shop.example\nEND:VCARD',
      'BEGIN:VCARD\nVERSION:2.1\nN:Old;Timer\nTEL;WORK;VOICE:0555 13\nEND:VCARD',
      'BEGIN:VCARD\nVERSION:4.0\nFN:known already\nTEL:05559\nEND:VCARD',
    ].join('\n');
    const taken = (await shop.send('post', '/api/customers/cards', { text })).body as CardsTaken;
    expect(taken.added.map((c) => c.name)).toEqual(['Søren Ångström', 'Timer Old']);
    expect(taken.known.map((c) => c.name)).toEqual(['Known Already']);
    expect((await page(taken.added[0]?.id as number)).phone).toBe('0555 12');
  });

  it('a file that is no card, cut off, or without a name is a sentence, and nothing is taken', async () => {
    const cases: [string, RegExp][] = [
      ['hello', /has no line "BEGIN:VCARD"/],
      ['BEGIN:VCARD\nVERSION:3.0\nFN:Half', /ends too early/],
      [
        'BEGIN:VCARD\nVERSION:3.0\nFN:Good\nEND:VCARD\nBEGIN:VCARD\nVERSION:3.0\nTEL:1\nEND:VCARD',
        /Card 2 of the file has no name/,
      ],
      ['BEGIN:VCARD\nVERSION:2.1\nno colon here\nEND:VCARD', /cannot be read/],
      ['', /empty/],
    ];
    for (const [text, says] of cases) {
      const answer = await shop.send('post', '/api/customers/cards', { text });
      expect(answer.status).withContext(text).toBe(400);
      expect((answer.body as { errors: { message: string }[] }).errors[0]?.message).toMatch(says);
    }
    expect(await shop.db.models.Customer.count()).toBe(0);
  });

  it('lines without an end are a sentence at once, however they are written; a portrait is only passed over', async () => {
    const card = (line: string, version = '4.0'): string =>
      `BEGIN:VCARD\r\nVERSION:${version}\r\nFN:Endless Line\r\n${line}\r\nEND:VCARD`;
    for (const text of [
      card('x'.repeat(900_000)),
      card(`TEL${';a=b'.repeat(200_000)}`),
      card(`TEL${';a="b"'.repeat(150_000)}:1`),
      card(`TEL${'\r\n ;a=b'.repeat(100_000)}:1`),
      card(`NOTE${';ENCODING=QUOTED-PRINTABLE'.repeat(33_000)}`, '2.1'),
    ]) {
      const answer = await shop.send('post', '/api/customers/cards', { text });
      expect([answer.status, (answer.body as { detail: string }).detail]).toEqual([
        400,
        jasmine.stringContaining('goes on and on before its value') as never,
      ]);
    }
    const soft = card(`NOTE;QUOTED-PRINTABLE:${'a=\r\n'.repeat(200_000)}`, '2.1');
    const portrait = card(`PHOTO;ENCODING=b:${'A'.repeat(800_000)}`);
    for (const text of [soft, portrait])
      expect((await shop.send('post', '/api/customers/cards', { text })).status).toBeLessThan(300);
  });

  it('a card of another century keeps its name, written in quoted-printable of its own character set', async () => {
    const old = [
      'BEGIN:VCARD',
      'VERSION:2.1',
      'N;CHARSET=ISO-8859-1;ENCODING=QUOTED-PRINTABLE:M=FCller;J=F6rg',
      'FN;QUOTED-PRINTABLE;CHARSET=UTF-8:J=C3=B6rg M=C3=BCl=',
      'ler, S=C3=A4ger',
      'NOTE;ENCODING=QUOTED-PRINTABLE:two=0D=0Alines',
      'BDAY:18730214',
      'TEL;HOME:0555 1873',
      'END:VCARD',
    ].join('\r\n');
    const answer = await shop.send('post', '/api/customers/cards', { text: old });
    expect(answer.status).withContext(JSON.stringify(answer.body)).toBe(201);
    const [added] = (answer.body as { added: { id: number; name: string }[] }).added;
    expect(added?.name).toBe('Jörg Müller, Säger');
    const page = (await shop.send('get', `/api/customers/${added?.id}`)).body as { note: string; phone: string };
    expect([page.note, page.phone]).toEqual(['two\nlines', '0555 1873']);
  });
});
