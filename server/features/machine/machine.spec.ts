import { pino } from 'pino';
import supertest from 'supertest';
import { machineState } from '@odontis/contract/machine';
import { createApp } from '../../app';
import { connect } from '../../database/connect';
import { openTestShop } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';

describe('how the shop’s computer does', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  it('lives without a database, and is ready with one', async () => {
    const db = connect('postgres://nobody:x@127.0.0.1:1/none');
    const app = createApp({ db, logger: pino({ level: 'silent' }) });
    expect((await supertest(app).get('/api/alive')).status).toBe(200);
    expect((await supertest(app).get('/api/health')).status).toBe(503);
    await db.sequelize.close();
    const ready = createApp({ db: shop.db, logger: pino({ level: 'silent' }) });
    expect((await supertest(ready).get('/api/health')).status).toBe(200);
  });

  it('tells its owner version, room, size and the slowest routes', async () => {
    const app = createApp({ db: shop.db, logger: pino({ level: 'silent' }) });
    const screen = await shop.as(shop.person);
    for (let i = 0; i < 3; i++) await supertest(app).get('/api/rack').set(screen);
    const state = machineState.parse((await supertest(app).get('/api/machine').set(screen)).body);
    expect(state.version).toMatch(/^\d+\.\d+\.\d+$/);
    expect(state.databaseBytes).toBeGreaterThan(1e6);
    expect(state.disk?.freeBytes).toBeGreaterThan(0);
    const rack = state.slowest.find((one) => one.route === 'GET /rack');
    expect(rack?.calls).toBe(3);
    expect(rack?.meanMs).toBeGreaterThan(0);
  });

  it('metrics are in the usual text form, for programs beside it alone, and name nobody', async () => {
    const app = createApp({ db: shop.db, logger: pino({ level: 'silent' }) });
    const screen = await shop.as(shop.person);
    await supertest(app).get('/api/customers?typed=Wren').set(screen);
    await supertest(app).get('/api/tickets/77').set(screen);
    const answer = await supertest(app).get('/api/metrics');
    expect(answer.headers['content-type']).toContain('text/plain; version=0.0.4');
    const line = /^http_request_duration_seconds_count\{method="GET",route="\/tickets\/:id",status="404"\} 1$/m;
    expect(answer.text).toMatch(line);
    // A duration may have any digits: as a name or a number of something it stands nowhere.
    expect(answer.text).not.toMatch(/Wren|\/77|="77"/);
    const away = createApp({ db: shop.db, logger: pino({ level: 'silent' }), isOwn: () => false });
    expect((await supertest(away).get('/api/metrics')).status).toBe(401);
  });

  it('a JSON line for each request, under an id that the answer carries, without who and what', async () => {
    const lines: string[] = [];
    const logger = pino({ level: 'info' }, { write: (line: string) => void lines.push(line) });
    const app = createApp({ db: shop.db, logger });
    const screen = await shop.as(shop.person);
    const answer = await supertest(app).get('/api/customers?typed=Wren').set(screen);
    const told = { name: 'Wren', password: 'a rusty kettle', device: 'x' };
    await supertest(app).post('/api/door/sign-in').send(told);
    const first = JSON.parse(lines[0] ?? '{}') as { req: { id: string; route: string }; res: object };
    expect(first.req).toEqual({ id: answer.headers['x-request-id'] ?? '', route: 'GET /customers' });
    expect(first.res).toEqual({ status: 200 });
    expect(lines.length).toBe(2);
    expect(lines.join('')).not.toMatch(/Wren|kettle|odontis=|127\.0\.0\.1/);
  });

  it('answers where every refusal’s type leads', async () => {
    const app = createApp({ db: shop.db, logger: pino({ level: 'silent' }) });
    const refused = await supertest(app).get('/api/rack');
    const { type } = refused.body as { type: string };
    expect(type).toBe('/docs/errors#not-signed-in');
    const page = await supertest(app).get('/docs/errors');
    expect(page.text).toContain('<h2 id="not-signed-in">');
  });

  it('two servers on one database are one shop', async () => {
    const other = connect(urlOf(shop));
    try {
      const [one, two] = [shop.db, other].map((db) => createApp({ db, logger: pino({ level: 'silent' }) })) as [
        ReturnType<typeof createApp>,
        ReturnType<typeof createApp>,
      ];
      const screen = await shop.as(shop.other);
      // Let in at one, known at the other; ended at the other, a stranger at the first.
      expect((await supertest(two).get('/api/rack').set(screen)).status).toBe(200);
      // Wrong tries are counted together.
      const told = { name: 'Nobody', password: 'wrong wrong wrong', device: 'x' };
      const codes: number[] = [];
      for (let i = 0; i < 8; i++)
        codes.push(
          (
            await supertest(i % 2 ? one : two)
              .post('/api/door/sign-in')
              .send(told)
          ).status,
        );
      expect(codes.filter((code) => code === 403).length).toBe(5);
      expect((await supertest(two).delete('/api/door').set(screen)).status).toBe(200);
      expect((await supertest(one).get('/api/rack').set(screen)).status).toBe(401);
    } finally {
      await other.sequelize.close();
    }
  });
});

/** The address of the test's own database. */
function urlOf({ db }: TestShop): string {
  const url = new URL(process.env['ODONTIS_TEST_DATABASE'] ?? '');
  url.pathname = `/${db.sequelize.config.database}`;
  return url.href;
}
