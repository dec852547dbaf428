import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { problem } from '@odontis/contract/problem';
import { pino } from 'pino';
import supertest from 'supertest';
import { createApp } from '../app';
import { newTicketBody, openTestShop } from '../testing/test-shop';
import type { TestShop } from '../testing/test-shop';
import { ownNames } from './own-names';

describe('at the door', () => {
  let shop: TestShop;
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-door-'));
  const web = path.join(folder, '.hidden', 'web');
  beforeAll(async () => {
    shop = await openTestShop();
    mkdirSync(web, { recursive: true });
    writeFileSync(path.join(web, 'index.html'), '<title>Odontis</title>');
    writeFileSync(path.join(web, 'main.js'), '1;');
  });
  afterAll(async () => {
    await shop.close();
    rmSync(folder, { recursive: true, force: true });
  });
  const app = (host = '127.0.0.1') =>
    createApp({ db: shop.db, logger: pino({ level: 'silent' }), webFolder: web, host });

  it('a name turned to this computer reads nothing and writes nothing; its own names are answered', async () => {
    for (const host of ['evil.example', 'evil.example:4200', '127.0.0.1.evil.example', 'localhost.', '[::1', '']) {
      const read = await supertest(app()).get('/api/customers?typed=a').set('host', host);
      expect([read.status, problem.parse(read.body).code])
        .withContext(host)
        .toEqual([421, 'not-ours']);
      expect((await supertest(app()).get('/rack').set('host', host)).status)
        .withContext(host)
        .toBe(421);
      const wrote = await supertest(app())
        .post('/api/tickets')
        .set('host', host)
        .set(await shop.as(shop.person))
        .send(newTicketBody());
      expect(wrote.status).withContext(host).toBe(421);
    }
    expect(await shop.db.models.Ticket.count()).toBe(0);
    for (const host of ['127.0.0.1', 'localhost:4200', 'LOCALHOST', '[::1]:4200'])
      expect(
        (
          await supertest(app())
            .get('/api/rack')
            .set(await shop.as(shop.person))
            .set('host', host)
        ).status,
      )
        .withContext(host)
        .toBe(200);
  });

  it('pages of others neither change nor read, whatever browser says whose they are', async () => {
    const screen = await shop.as(shop.person);
    const send = (headers: Record<string, string>) => {
      const request = supertest(app())
        .post('/api/tickets')
        .set({ host: '127.0.0.1:4200', ...screen, ...headers });
      return request.send(newTicketBody());
    };
    const strangers: Record<string, string>[] = [
      { 'sec-fetch-site': 'cross-site' },
      { 'sec-fetch-site': 'same-site' },
      { origin: 'https://evil.example' },
      { origin: 'http://127.0.0.1:9999' },
      { origin: 'null' },
    ];
    for (const headers of strangers)
      expect((await send(headers)).status)
        .withContext(JSON.stringify(headers))
        .toBe(421);
    expect(await shop.db.models.Ticket.count()).toBe(0);
    const read = await supertest(app()).get('/api/rack').set({ host: '127.0.0.1', 'sec-fetch-site': 'cross-site' });
    expect(read.status).toBe(421);
    expect((await send({ 'sec-fetch-site': 'same-origin', origin: 'http://127.0.0.1:4200' })).status).toBe(201);
    // A link from somewhere else opens a page.
    const opened = await supertest(app()).get('/rack').set({ host: '127.0.0.1', 'sec-fetch-site': 'cross-site' });
    expect(opened.status).toBe(200);
  });

  it('listening everywhere it answers by this computer’s names and addresses, and by no other', () => {
    const names = ownNames('0.0.0.0');
    expect(names.has(os.hostname().toLowerCase())).toBeTrue();
    for (const one of Object.values(os.networkInterfaces()).flat())
      expect(names.has(one?.family === 'IPv6' ? `[${one.address.split('%')[0]}]` : (one?.address ?? ''))).toBeTrue();
    expect(names.has('evil.example')).toBeFalse();
    expect([...ownNames('192.0.2.7')].sort()).toEqual(['127.0.0.1', '192.0.2.7', '[::1]', 'localhost']);
  });

  it('a checkout below a hidden folder serves its pages', async () => {
    expect((await supertest(app()).get('/rack')).text).toContain('Odontis');
    expect((await supertest(app()).get('/main.js')).status).toBe(200);
  });

  it('scripts and fonts come from the shop itself alone', async () => {
    const policy = (await supertest(app()).get('/rack')).headers['content-security-policy'] ?? '';
    const of = (what: string): string => policy.split(';').find((part) => part.trim().startsWith(`${what} `)) ?? '';
    expect(of('script-src')).not.toContain('unsafe-inline');
    expect(of('font-src').trim()).toBe("font-src 'self'");
    expect(of('default-src').trim()).toBe("default-src 'self'");
  });
});
