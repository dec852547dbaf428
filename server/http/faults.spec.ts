import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import supertest from 'supertest';
import * as z from 'zod';
import { problem } from '@odontis/contract/problem';
import { createApp } from '../app';
import { connect } from '../database/connect';
import { newTicketBody, openTestShop } from '../testing/test-shop';
import type { TestShop } from '../testing/test-shop';
import { parse } from './parse';
import type { Problem } from './problem';
import { problemHandler, toProblem } from './problem-handler';

describe('faults at the edge', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  it('a database that is away is a sentence and 503, and the server goes on', async () => {
    const db = connect('postgres://nobody:x@127.0.0.1:1/none');
    const app = createApp({ db, logger: pino({ level: 'silent' }) });
    for (const path of ['/api/rack', '/api/health', '/api/tickets/1']) {
      // A screen that may be known: only the database could say.
      const answer = await supertest(app)
        .get(path)
        .set('cookie', `odontis=${'a'.repeat(43)}`);
      expect(answer.status).withContext(path).toBe(503);
      expect(problem.parse(answer.body).code).toBe('database-away');
      expect(answer.text).not.toContain('ECONN');
    }
    await db.sequelize.close();
  });

  it('connections cut in mid-work are told as away, and the next request works again', async () => {
    await shop.send('get', '/api/rack');
    await shop.db.sequelize
      .query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database()')
      .catch(() => undefined);
    const answers = [];
    for (let i = 0; i < 12; i++) answers.push((await shop.send('get', '/api/rack')).status);
    expect(answers.every((status) => status === 200 || status === 503)).toBeTrue();
    expect(answers.at(-1)).toBe(200);
  });

  it('unreadable JSON, a wrong method and an unreadable address are problems, never a stack', async () => {
    const app = createApp({ db: shop.db, logger: pino({ level: 'silent' }) });
    const screen = await shop.as(shop.person);
    const json = { ...screen, 'content-type': 'application/json' };
    const broken = await supertest(app).post('/api/tickets').set(json).send('{"a":');
    expect(broken.status).toBe(400);
    expect(broken.type).toBe('application/problem+json');
    const method = await supertest(app).delete('/api/tickets/1').set(screen);
    expect(method.status).toBe(404);
    const address = await supertest(app).get('/api/tickets/%E0%A4%A').set(screen);
    expect(address.status).toBe(400);
    for (const answer of [broken, method, address]) expect(answer.text).not.toMatch(/\n\s+at |node_modules/);
  });

  it('hostile values come back as sentences: NaN, 1e308, deep nesting, wrong types everywhere', async () => {
    const wanted = newTicketBody();
    const bodies: object[] = [
      { ...wanted, saw: { ...wanted.saw, plateThicknessMm: 1e308 } },
      { ...wanted, saw: { ...wanted.saw, toothLineMm: null } },
      { ...wanted, intake: { ...wanted.intake, marks: 'all' } },
      { ...wanted, intake: { ...wanted.intake, complaint: 'x'.repeat(2001) } },
      { ...wanted, intake: { ...wanted.intake, complaint: 'a\u0000b' } },
      { ...wanted, customer: [] },
      { ...wanted, decision: 'maybe' },
      {},
      [],
    ];
    for (const body of bodies) {
      const answer = await shop.send('post', '/api/tickets', body);
      expect(answer.status).withContext(JSON.stringify(body).slice(0, 80)).toBe(400);
      expect(problem.parse(answer.body).errors.length).toBeGreaterThan(0);
    }
    expect(await shop.db.models.Ticket.count()).toBe(0);
  });

  it('names of any script and punctuation come back as typed', async () => {
    const names = [
      'Ægir Þórðarson',
      '山田 太郎',
      'محمد',
      "O'Neil; DROP TABLE ticket;--",
      '<script>alert(1)</script>',
      '🪚 club',
    ];
    for (const name of names) {
      const wanted = newTicketBody({ complaint: name });
      const answer = await shop.send('post', '/api/tickets', { ...wanted, customer: { name, phone: '', email: '' } });
      expect(answer.status).toBe(201);
      const body = answer.body as { customer: { name: string }; ticket: { complaint: string } };
      expect([body.customer.name, body.ticket.complaint]).toEqual([name, name]);
    }
  });

  it('twenty counters at once never share a number', async () => {
    const answers = await Promise.all(
      Array.from({ length: 20 }, () => shop.send('post', '/api/tickets', newTicketBody())),
    );
    const numbers = answers.map((a) => (a.body as { ticket: { number: number } }).ticket.number);
    expect(new Set(numbers).size).toBe(20);
  });

  it('the headers keep other pages’ scripts out and say no server’s name', async () => {
    const answer = await shop.send('get', '/api/rack');
    expect(answer.headers['content-security-policy']).toContain("script-src 'self'");
    expect(answer.headers['cache-control']).toBe('private, no-cache');
    expect(answer.headers['x-powered-by']).toBeUndefined();
    expect(answer.headers['x-content-type-options']).toBe('nosniff');
  });

  it('a shop has people, but not without end', async () => {
    const person = { name: 'Third Hand', initials: 'TH', role: 'filer' as const };
    const add = () => shop.send('post', '/api/people', { ...person, key: randomUUID() });
    expect((await add()).status).toBe(201);
    await shop.db.models.Person.bulkCreate(
      Array.from({ length: 200 }, (_, i) => ({ ...person, name: `Hand ${i}`, initials: 'H' })),
    );
    expect((await add()).status).toBe(400);
  });

  it('a union complains in the words of the branch that came closest', () => {
    const either = z.union([
      z.object({ id: z.number() }).strict(),
      z.object({ name: z.string('Name missing.'), age: z.number() }),
    ]);
    try {
      parse(either, { age: 3 });
      fail('That must not fit.');
    } catch (error) {
      expect((error as Problem).errors).toEqual([{ path: '/name', message: 'Name missing.' }]);
    }
  });

  it('what was typed stands in no log, wherever an error repeats it', async () => {
    const lines: string[] = [];
    const logger = pino({ level: 'info' }, { write: (line: string) => void lines.push(line) });
    const secret = 'Wren Ashby 0555 1';
    const error: unknown = await shop.db.sequelize
      .query(`INSERT INTO customer (name, email, created_by) VALUES ('${secret}', '${secret}', 999999)`)
      .catch((thrown: unknown) => thrown);
    const asked = { headersSent: false, status: () => asked, type: () => asked, send: () => asked };
    problemHandler(error, { log: logger } as never, asked as never, () => undefined);
    problemHandler(new Error(`${secret}\nat ${secret}:1:1`), { log: logger } as never, asked as never, () => undefined);
    expect(lines.length).toBe(2);
    expect(lines.join('')).toContain('23503');
    expect(lines.join('')).toContain('customer_created_by_fkey');
    expect(lines.join('')).not.toContain('Wren');
    expect(lines.join('')).not.toContain('0555');
  });

  it('what nobody foresaw is said without its insides', () => {
    const unforeseen = toProblem(new Error('secret path /etc'));
    expect(unforeseen.code).toBe('unexpected');
    expect(JSON.stringify(unforeseen.body())).not.toContain('secret');
    expect(toProblem(Object.assign(new Error('x'), { code: '57P01' })).code).toBe('database-away');
  });

  it('a full disk is said in words, whether the database or the system says so', () => {
    for (const error of [
      Object.assign(new Error('could not extend file'), { code: '53100' }),
      Object.assign(new Error('write'), { code: 'ENOSPC' }),
      Object.assign(new Error('x'), { parent: { code: '53100' } }),
    ]) {
      const problem = toProblem(error);
      expect([problem.code, problem.status]).toEqual(['disk-full', 507]);
      expect(problem.detail).toContain('make room');
    }
  });
});
