import type { Express } from 'express';
import { pino } from 'pino';
import supertest from 'supertest';
import { problem } from '@odontis/contract/problem';
import type { Role } from '@odontis/contract/roles';
import { mayAs, ROLES } from '@odontis/contract/roles';
import { createApp } from '../app';
import { openTestShop, screenHeaders } from '../testing/test-shop';
import type { ScreenHeaders, TestShop } from '../testing/test-shop';
import type { Need } from './needs';
import { NEEDS, routeOf } from './needs';

interface Layer {
  readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
  readonly handle?: { readonly stack?: readonly Layer[] };
}
/** Every route that the server has, as it is written in the table. */
const routesOf = (layers: readonly Layer[]): string[] =>
  layers.flatMap(({ route, handle }) =>
    route
      ? Object.keys(route.methods).map((method) => `${method.toUpperCase()} ${route.path}`)
      : routesOf(handle?.stack ?? []),
  );

/** A page beside the routes, for everybody: where refusals lead. */
const PAGE = 'GET /docs/errors';

const WAYS = ['get', 'post', 'put', 'patch', 'delete'] as const;

describe('what every route needs', () => {
  let shop: TestShop;
  let app: Express;
  beforeAll(async () => {
    shop = await openTestShop();
    app = createApp({ db: shop.db, logger: pino({ level: 'silent' }) });
  });
  afterAll(() => shop.close());
  const table = Object.entries(NEEDS) as [string, Need][];
  /** A route called with nothing in it, at a record that is not there. */
  const call = (route: string, headers: ScreenHeaders) => {
    const [method = '', path = ''] = route.split(' ');
    const way = WAYS.find((one) => one.toUpperCase() === method) ?? 'get';
    const calling = supertest(app);
    const request = calling[way](`/api${path.replace(/:\w+/g, '987654')}`).set(headers);
    return way === 'get' ? request : request.send({});
  };

  it('stands in one table: no route without a line, no line without a route', () => {
    const routes = routesOf((app.router as unknown as { stack: Layer[] }).stack).filter(
      (one) => one.includes(' /') && one !== PAGE,
    );
    expect([...new Set(routes)].sort()).toEqual(Object.keys(NEEDS).sort());
    const needOf = (method: string, path: string): Need | null => routeOf(method, path)?.need ?? null;
    expect(needOf('GET', '/tickets/12')).toBe('counter');
    expect(needOf('HEAD', '/rack')).toBe('counter');
    expect([needOf('GET', '/nothing'), needOf('TRACE', '/rack'), needOf('GET', '/tickets/%E0')]).toEqual([
      null,
      null,
      null,
    ]);
  });

  it('strangers hear the same everywhere, at what is there and at what is not, and change nothing', async () => {
    const forged: ScreenHeaders = { cookie: `odontis=${'b'.repeat(43)}`, 'x-odontis-csrf': 'b' };
    const nowhere = ['GET /nothing', 'POST /tickets/1/nothing', 'DELETE /shop', 'GET /docs'];
    const asking = table.filter(([, need]) => need !== 'nobody').map(([route]) => route);
    let said: string | undefined;
    for (const headers of [{}, forged, { cookie: 'odontis=' }])
      for (const route of [...asking, ...nowhere]) {
        const answer = await call(route, headers);
        expect(answer.status).withContext(route).toBe(401);
        said ??= answer.text;
        expect(answer.text).withContext(route).toBe(said);
      }
    expect(await shop.db.models.Change.count()).toBe(0);
  });

  it('each role does what is its own, and is told who does the rest', async () => {
    for (const role of ROLES) {
      const row = await shop.db.models.Person.create({ name: `A ${role}`, initials: 'A', role });
      for (const [route, need] of table) {
        if (need === 'nobody' || need === 'screen') continue;
        // A screen of its own each time: some of these end it.
        const answer = await call(route, await screenHeaders(shop.db, row.id));
        const refused = answer.status === 403 && problem.parse(answer.body).code === 'not-allowed';
        const mayAsk = mayAs(role, need as Role);
        // Of others' passwords and codes the service says no, too.
        const others = /PUT .people.:id.(password|code)/.test(route);
        expect(refused && !others)
          .withContext(`${role} ${route} ${answer.status}`)
          .toBe(!mayAsk);
        expect(answer.status).withContext(`${role} ${route}`).toBeLessThan(500);
      }
    }
  });

  it('a change that comes from no page of the shop is refused, though the cookie is right', async () => {
    const screen = await screenHeaders(shop.db, shop.person);
    const other = await screenHeaders(shop.db, shop.person);
    const changing = table.filter(([route, need]) => need !== 'nobody' && !route.startsWith('GET'));
    for (const [route] of changing)
      for (const csrf of ['', 'x', other['x-odontis-csrf'] ?? '']) {
        const answer = await call(route, { cookie: screen['cookie'] ?? '', 'x-odontis-csrf': csrf });
        expect([answer.status, problem.parse(answer.body).code])
          .withContext(route)
          .toEqual([421, 'not-ours']);
      }
    expect((await call('GET /rack', { cookie: screen['cookie'] ?? '' })).status).toBe(200);
  });
});
