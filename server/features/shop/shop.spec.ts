import type { Person } from '@odontis/contract/people';
import type { Shop } from '@odontis/contract/shop';
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
    const keep = (strokes: number, dropMm: number) =>
      shop.send('post', `/api/people/${shop.person}/strokes`, { strokes, dropMm });
    await keep(4, 0.08);
    const people = (await keep(8, 0.16)).body as Person[];
    expect(people.map((p) => p.strokeRate.readings)).toEqual([2, 0]);
    expect(people[0]?.strokeRate.rateMmPerStroke).toBeCloseTo(0.02, 12);
    expect((await keep(0, 0.1)).status).toBe(400);
  });
});
