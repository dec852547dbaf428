import { randomUUID } from 'node:crypto';
import type { Dossier } from '@odontis/contract/dossier';
import type { Outwork } from '@odontis/contract/outwork';
import { sumWithOutwork } from '@odontis/contract/outwork';
import type { ProblemBody } from '@odontis/contract/problem';
import { priceStanding } from '@odontis/core/money/price-chain';
import type { TestShop } from '../../testing/test-shop';
import { hollowReadings, lineBody, openTestShop, ticketAt } from '../../testing/test-shop';

describe('a saw at a grinder’s', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  const send = (dossier: Dossier, more: object = {}) =>
    shop.send('post', `/api/tickets/${dossier.ticket.id}/outwork`, {
      ...{ key: randomUUID(), version: dossier.ticket.version, grinder: 'Hollow & Land', work: 'grind 40 teeth' },
      ...{ dueOn: '2031-05-20', amount: 12.5, ...more },
    });
  const back = (dossier: Dossier, more: object = {}) =>
    shop.send('post', `/api/tickets/${dossier.ticket.id}/outwork/back`, {
      ...{ key: randomUUID(), version: dossier.ticket.version, result: 'came-out', amount: 14, ...more },
    });

  it('goes, waits, is not measured meanwhile, and comes back with what it was charged; its price follows', async () => {
    const was = await ticketAt(shop, 'measure');
    const estimate = priceStanding(was.prices).upTo;
    const key = randomUUID();
    const first = await send(was, { key });
    expect(first.status).withContext(JSON.stringify(first.body)).toBe(201);
    expect(((await send(was, { key })).body as Dossier).outwork.length).toBe(1);
    const away = first.body as Dossier;
    expect([away.ticket.waitsFor, away.ticket.waitsNote, away.outwork[0]?.back]).toEqual([
      'grinder',
      'Hollow & Land',
      null,
    ]);
    expect(priceStanding(away.prices)).toEqual(
      jasmine.objectContaining({
        live: jasmine.objectContaining({ kind: 'outwork', high: estimate + 12.5 }),
        over: 12.5,
      }),
    );
    const measured = await shop.send(
      'post',
      `/api/tickets/${was.ticket.id}/evidence`,
      lineBody('before', hollowReadings()),
    );
    expect([measured.status, (measured.body as ProblemBody).code]).toEqual([409, 'away']);
    expect(((await send(away)).body as ProblemBody).code).toBe('away');
    const here = (await back(away)).body as Dossier;
    expect([here.ticket.waitsFor, here.outwork[0]?.back?.amount]).toEqual([null, 14]);
    expect(priceStanding(here.prices).live?.high).toBe(estimate + 14);
    expect((await back(here)).status).toBe(409);
    expect(((await send(here, { dueOn: 'soon' })).body as ProblemBody).code).toBe('bad-input');
  });

  it('the sum by hand: what was foretold in a plan gives way to what was charged', () => {
    const one = (at: string, amount: number | null, charged?: number): Outwork => ({
      ...{ id: 1, number: 1, grinder: 'x', work: 'x', dueOn: '2031-05-20', amount, by: 'x', at },
      back: charged === undefined ? null : { result: 'came-out', amount: charged, by: 'x', at: '2031-05-09' },
    });
    const plan = { kind: 'plan', high: 50, at: '2031-05-05' };
    expect(sumWithOutwork(plan, [one('2031-05-04', 20, 24)])).toBe(54);
    expect(sumWithOutwork(plan, [one('2031-05-06', 20)])).toBe(70);
    expect(sumWithOutwork(plan, [one('2031-05-04', null, 9)])).toBe(59);
    expect(sumWithOutwork({ kind: 'estimate', high: 8, at: '2031-05-01' }, [one('2031-05-02', 20, 24)])).toBe(32);
  });
});
