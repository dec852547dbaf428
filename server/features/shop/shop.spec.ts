import { randomUUID } from 'node:crypto';
import type { Person } from '@odontis/contract/people';
import type { Shop } from '@odontis/contract/shop';
import { handOf } from '@odontis/core/calibration/hand';
import { openTestShop } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';

describe('the shop book and its people', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  it('is changed whole, by one person at a time, and says by whom', async () => {
    const first = (await shop.send('get', '/api/shop')).body as Shop;
    const change = (name: string) => ({ version: first.version, book: { ...first.book, name } });
    const both = await Promise.all([
      shop.send('put', '/api/shop', change('One')),
      shop.send('put', '/api/shop', change('Two'), shop.other),
    ]);
    expect(both.map((a) => a.status).sort()).toEqual([200, 409]);
    const now = (await shop.send('get', '/api/shop')).body as Shop;
    expect(now.version).toBe(first.version + 1);
    expect(now.changedBy === 'First Hand' ? now.book.name : `not ${now.book.name}`).toBe(
      now.changedBy === 'First Hand' ? 'One' : 'not Two',
    );
  });

  it('refuses angles and strokes outside what files and hands do', async () => {
    const { version, book } = (await shop.send('get', '/api/shop')).body as Shop;
    const habits = {
      ...book.habits,
      strokesPerGullet: 2.5,
      angles: { ...book.habits.angles, rip: { rakeDeg: 0, fleamDeg: 80 } },
    };
    const answer = await shop.send('put', '/api/shop', { version, book: { ...book, habits } });
    const paths = (answer.body as { errors: { path: string }[] }).errors.map((e) => e.path);
    expect(paths).toEqual(['/book/habits/strokesPerGullet', '/book/habits/angles/rip/fleamDeg']);
  });

  it('fits a person’s strokes from their own readings', async () => {
    const keep = (amount: number, didMm: number, key = randomUUID()) =>
      shop.send('post', `/api/people/${shop.person}/calibrations`, {
        key,
        reading: { what: 'strokes', tool: '', amount, didMm },
      });
    await keep(4, 0.08);
    const key = randomUUID();
    await keep(8, 0.16, key);
    // The answer was lost and the reading sent again: it counts once.
    const people = (await keep(8, 0.16, key)).body as Person[];
    expect(people.map((p) => handOf(p.calibrations).strokeRateOf(null).readings)).toEqual([2, 0]);
    expect(handOf(people[0]?.calibrations ?? []).strokeRateOf(null).rateMmPerStroke).toBeCloseTo(0.02, 12);
    expect((await keep(0, 0.1)).status).toBe(400);
  });

  it('keeps how somebody keeps the place at the vise, chosen by themselves alone', async () => {
    const choose = (place: object, by = shop.person) => shop.send('put', `/api/people/${shop.person}/place`, place, by);
    const people = (await choose({ way: 'window', window: 12 })).body as Person[];
    expect(people.map((one) => one.place)).toEqual([
      { way: 'window', window: 12 },
      { way: 'gullet', window: 20 },
    ]);
    expect((await choose({ way: 'ear', window: 12 }, shop.other)).status).toBe(403);
    const refused = (await choose({ way: 'card', window: 1 })).body as { errors: { path: string; message: string }[] };
    expect(refused.errors.map((e) => e.path)).toEqual(['/way', '/window']);
    expect(((await shop.send('get', '/api/people')).body as Person[])[0]?.place.way).toBe('window');
  });

  it('keeps what a set tool did at its numbers; one without a name is refused in a sentence', async () => {
    const keep = (tool: string, amount: number, didMm: number) =>
      shop.send('post', `/api/people/${shop.other}/calibrations`, {
        key: randomUUID(),
        reading: { what: 'set-tool', tool, amount, didMm },
      });
    await keep('small', 4, 0.22);
    const people = (await keep('small', 8, 0.14)).body as Person[];
    const [tool] = handOf(people[1]?.calibrations ?? []).setTools;
    expect(tool?.numberFor(0.18)?.number).toBeCloseTo(6, 9);
    const refused = await keep('', 4, 0.2);
    expect([refused.status, (refused.body as { errors: { message: string }[] }).errors[0]?.message]).toEqual([
      400,
      'The set tool’s name is missing.',
    ]);
  });
});
