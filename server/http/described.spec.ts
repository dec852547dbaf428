import Ajv2020 from 'ajv/dist/2020.js';
import { openTestShop, ticketAt } from '../testing/test-shop';
import type { TestShop } from '../testing/test-shop';
import { NEEDS } from './needs';

interface Operation {
  readonly parameters: readonly { readonly name: string; readonly in: string }[];
  readonly requestBody?: { readonly content: Record<string, { schema: object }> };
  readonly responses: Record<string, { readonly content?: Record<string, { schema?: object }> }>;
}

describe('the description of every route', () => {
  let shop: TestShop;
  let paths: Record<string, Record<string, Operation>>;
  beforeAll(async () => {
    shop = await openTestShop();
    ({ paths } = (await shop.send('get', '/api/openapi.json')).body as { paths: typeof paths });
  });
  afterAll(() => shop.close());
  const forms = () => new Ajv2020({ strict: false, validateFormats: false });
  const operations = (): [string, Operation][] =>
    Object.entries(paths).flatMap(([path, ways]) =>
      Object.entries(ways).map(([way, one]): [string, Operation] => [`${way.toUpperCase()} ${path}`, one]),
    );

  it('has every route there is and no other, with each part of its address', () => {
    const asWritten = operations().map(([route]) => route.replace('/api', '').replace(/\{(\w+)\}/g, ':$1'));
    expect(asWritten.sort()).toEqual(Object.keys(NEEDS).sort());
    for (const [route, { parameters }] of operations())
      expect(parameters.filter((one) => one.in === 'path').map((one) => one.name))
        .withContext(route)
        .toEqual([...route.matchAll(/\{(\w+)\}/g)].map(([, name = '']) => name));
  });

  it('its forms are forms (JSON Schema 2020-12, read by a general validator)', () => {
    // One form stands at many routes: each is compiled once.
    const compiled = new Set<string>();
    for (const [route, { requestBody, responses }] of operations()) {
      const bodies = [requestBody?.content, ...Object.values(responses).map((one) => one.content)];
      for (const content of bodies)
        for (const { schema } of Object.values(content ?? {})) {
          const written = JSON.stringify(schema);
          if (!schema || compiled.has(written)) continue;
          compiled.add(written);
          expect(() => forms().compile(schema))
            .withContext(route)
            .not.toThrow();
        }
    }
    expect(compiled.size).toBeGreaterThan(20);
  });

  it('what is answered is what is described', async () => {
    const { ticket, customer } = await ticketAt(shop, 'bench');
    const asked: [string, string][] = [
      ['/api/shop', '/api/shop'],
      ['/api/people', '/api/people'],
      ['/api/rack', '/api/rack'],
      ['/api/counter', '/api/counter'],
      ['/api/door', '/api/door'],
      ['/api/devices', '/api/devices'],
      ['/api/changes', '/api/changes'],
      ['/api/machine', '/api/machine'],
      ['/api/labels', '/api/labels'],
      ['/api/tickets/{id}', `/api/tickets/${ticket.id}`],
      ['/api/customers/{id}', `/api/customers/${customer.id}`],
      ['/api/customers/{id}/saws', `/api/customers/${customer.id}/saws`],
    ];
    for (const [path, at] of asked) {
      const schema = paths[path]?.['get']?.responses['200']?.content?.['application/json']?.schema;
      const valid = forms().compile(schema ?? false);
      const answer = await shop.send('get', at);
      expect(answer.status).withContext(at).toBe(200);
      expect(valid(answer.body))
        .withContext(`${at} ${JSON.stringify(valid.errors)}`)
        .toBeTrue();
      expect(valid({ nothing: 'of it' }))
        .withContext(at)
        .toBeFalse();
    }
  });
});
