import { randomUUID } from 'node:crypto';
import { gzipSync } from 'node:zlib';
import type { Dossier } from '@odontis/contract/dossier';
import { problem } from '@odontis/contract/problem';
import type { LengthReading } from '@odontis/core/evidence/reading';
import { pino } from 'pino';
import supertest from 'supertest';
import { createApp } from '../app';
import { newTicketBody, openTestShop, ticketAt } from '../testing/test-shop';
import type { TestShop } from '../testing/test-shop';

const reading = (more: Partial<LengthReading> = {}): LengthReading => ({
  ...{ key: randomUUID(), quantity: 'set', part: null, place: 1, value: 0.2, gauge: 'caliper' },
  ...{ setAside: false, corrects: null, simulated: false, ...more },
});

/** Where the caller is wrong the answer is a sentence about it, never "something went wrong here". */
describe('a caller who is wrong', () => {
  let shop: TestShop;
  let ticket: Dossier['ticket'];
  beforeAll(async () => {
    shop = await openTestShop();
    ({ ticket } = await ticketAt(shop, 'measure'));
  });
  afterAll(() => shop.close());
  const app = () => createApp({ db: shop.db, logger: pino({ level: 'silent' }) });
  const evidence = (readings: object[], key: string = randomUUID(), id = ticket.id) =>
    shop.send('post', `/api/tickets/${id}/evidence`, { session: { key, kind: 'before' }, seen: 1e9, readings });

  it('about how it is written: charset, encoding, what is no gzip, half a gzip', async () => {
    const screen = await shop.as(shop.person);
    const send = (headers: Record<string, string>, body: Buffer | string) => {
      const request = supertest(app()).post('/api/tickets').set(screen).set('content-type', 'application/json');
      for (const [name, value] of Object.entries(headers)) request.set(name, value);
      // Sent as it is: supertest would write a body of its own.
      return request.serialize((sent) => sent as string).send(body as string);
    };
    const whole = gzipSync('{}');
    for (const answer of [
      await send({ 'content-type': 'application/json; charset=klingon' }, '{}'),
      await send({ 'content-encoding': 'lzma' }, '{}'),
      await send({ 'content-encoding': 'gzip' }, 'no gzip'),
      await send({ 'content-encoding': 'gzip' }, whole.subarray(0, 12)),
    ]) {
      expect(answer.status).toBe(400);
      expect(problem.parse(answer.body).code).toBe('bad-input');
    }
  });

  it('about signs that no text has, in columns of words and of JSON alike', async () => {
    for (const bad of ['a\u0000b', 'half a pair \ud800', '\udc00 half'])
      for (const body of [
        newTicketBody({ complaint: bad }),
        { ...newTicketBody(), saw: { ...newTicketBody().saw, name: bad } },
        { ...newTicketBody(), customer: { name: bad, phone: '', email: '' } },
      ]) {
        const answer = await shop.send('post', '/api/tickets', body);
        expect(answer.status).withContext(JSON.stringify(bad)).toBe(400);
      }
    const { version, book } = (await shop.send('get', '/api/shop')).body as { version: number; book: object };
    for (const name of ['a\u0000b', '\ud800'])
      expect((await shop.send('put', '/api/shop', { version, book: { ...book, name } })).status).toBe(400);
  });

  it('about numbers in addresses: hexadecimal, powers, blanks and signs are none', async () => {
    for (const id of ['0x1', '1e0', '%201', '+1', '-1', '01', '1.0', '99999999999', 'NaN'])
      expect((await shop.send('get', `/api/tickets/${id}`)).status)
        .withContext(id)
        .toBe(400);
    expect((await shop.send('get', `/api/tickets/${ticket.id}`)).status).toBe(200);
  });

  it('about what is asked twice in one address, and fields nobody asked for', async () => {
    expect((await shop.send('get', '/api/customers?typed=a&typed=b')).status).toBe(400);
    const answer = await shop.send('post', '/api/tickets', { ...newTicketBody(), version: 99, stage: 'closed' });
    const { stage, version } = (answer.body as Dossier).ticket;
    expect([answer.status, stage, version]).toEqual([201, 'measure', 1]);
  });

  it('about days and times no calendar of a shop has', async () => {
    for (const promisedOn of ['0000-01-01', '9999-12-31', '2031-02-30'])
      expect((await shop.send('post', '/api/tickets', newTicketBody({ promisedOn }))).status)
        .withContext(promisedOn)
        .toBe(400);
    const bench = await ticketAt(shop, 'bench');
    for (const at of ['0000-01-01T00:00:00Z', '2031-05-04T09:00:00+23:59', '2031-05-04T09:00:00-16:00']) {
      const events = [{ id: randomUUID(), stop: 0, action: 'done', at }];
      const answer = await shop.send('post', `/api/tickets/${bench.ticket.id}/bench`, {
        planId: bench.plan?.id,
        events,
      });
      expect(answer.status).withContext(at).toBe(400);
    }
  });

  it('about keys: one twice in a sending, in capitals, of another session, a session of another ticket', async () => {
    const twice = reading();
    expect((await evidence([twice, { ...twice, value: 0.3 }])).status).toBe(400);
    const [session, own] = [randomUUID(), reading({ place: 2 })];
    expect((await evidence([own], session)).status).toBeLessThan(300);
    // In capitals it is the same key, and is not taken again.
    const loud = await evidence([{ ...own, key: own.key.toUpperCase() }], session.toUpperCase());
    expect(loud.status).toBeLessThan(300);
    expect(await shop.db.models.Evidence.count({ where: { key: own.key } })).toBe(1);
    const other = (await ticketAt(shop, 'measure')).ticket.id;
    expect((await evidence([own], randomUUID(), other)).status).toBe(400);
    expect((await evidence([reading()], session, other)).status).toBe(400);
    const both = randomUUID();
    const answers = await Promise.all([ticket.id, other].map((id) => evidence([reading()], both, id)));
    expect(answers.map((answer) => answer.status).sort((a, b) => a - b)[1]).toBeLessThan(500);
  });

  it('one reading corrected by two at once: one is kept, the other told', async () => {
    const [session, own] = [randomUUID(), reading({ place: 5 })];
    await evidence([own], session);
    const answers = await Promise.all(
      [0.3, 0.4].map((value) => evidence([reading({ place: 5, value, corrects: own.key })], session)),
    );
    expect(answers.map((answer) => answer.status < 500)).toEqual([true, true]);
    const again = await evidence([reading({ place: 5, value: 0.5, corrects: own.key })], session);
    expect([again.status < 500, again.status >= 400]).toEqual([true, true]);
    expect(await shop.db.models.Evidence.count({ where: { corrects: own.key } })).toBe(1);
  });

  it('a clock that was set back leaves a session that can be closed all the same', async () => {
    const session = randomUUID();
    await evidence([reading({ place: 7 })], session);
    await shop.db.sequelize.query(
      `UPDATE session SET started_at = now() + interval '2 hours' WHERE key = '${session}'`,
    );
    const answer = await shop.send('post', `/api/tickets/${ticket.id}/sessions/${session}/finish`, { note: '' });
    expect(answer.status).toBe(200);
  });
});
