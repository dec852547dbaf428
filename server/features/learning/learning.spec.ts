import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { Dossier } from '@odontis/contract/dossier';
import type { Learning, Lesson } from '@odontis/contract/learning';
import type { Shop } from '@odontis/contract/shop';
import { walkOf } from '@odontis/core/work/step';
import { isLineOrder } from '@odontis/core/work/order';
import type { TestShop } from '../../testing/test-shop';
import { newTicketBody, openTestShop, ticketAt } from '../../testing/test-shop';
import { forgetLearned } from './service';

describe('what the shop learns of its own saws', () => {
  let shop: TestShop;
  let checked: Dossier;
  beforeAll(async () => {
    shop = await openTestShop();
    checked = await ticketAt(shop, 'bench');
  });
  afterAll(() => shop.close());

  const run = (sql: string) => shop.db.sequelize.query(sql, { type: QueryTypes.UPDATE });
  /** A saw whose every stop is pressed done. */
  const atTheCheck = async (): Promise<Dossier> => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    const events = walkOf(plan?.order.steps ?? []).map(({ index }) => ({
      ...{ id: randomUUID(), stop: index, action: 'done', at: new Date().toISOString() },
    }));
    await shop.send('post', `/api/tickets/${ticket.id}/bench`, { planId: plan?.id, events });
    return (await shop.send('get', `/api/tickets/${ticket.id}`)).body as Dossier;
  };
  const learning = async (): Promise<Learning> => {
    forgetLearned(shop.db);
    return (await shop.send('get', '/api/learning')).body as Learning;
  };
  const of = ({ lessons }: Learning, id: Lesson['id']): Lesson => {
    const found = lessons.find((one) => one.id === id);
    if (!found) throw new Error(id);
    return found;
  };
  const book = async (): Promise<Shop> => (await shop.send('get', '/api/shop')).body as Shop;

  it('nothing found teaches nothing: the tables stand', async () => {
    const bare = await learning();
    expect(bare.lessons.map((one) => [one.id, one.better])).toEqual([
      ['drift', false],
      ['hop', false],
      ['set-wear', false],
      ['strokes', false],
      ['stone', false],
      ['minutes', false],
    ]);
    expect((await book()).learned).toEqual({
      ...{ driftTimes: null, hopMm: null, wearTimes: null, strokes: null, stone: null, minutes: null },
    });
  });

  it('cuts that leave their line twice as far as foretold teach that, once there are enough; orders keep it', async () => {
    // Thirty cuts of known sets: off their line by twice half the difference, a little scattered.
    await run(
      `INSERT INTO check_round (ticket_id, number, runs, binds, chatters, verdict, stone_side, stone_passes, advice, person_id,
          set_left_mm, set_right_mm, off_line_mm, over_mm, hop_mm, at)
       SELECT ${checked.ticket.id}, 100 + n, 'left', false, n % 2 = 0, 'again', 'none', 0, '[]', ${shop.person},
              0.1 + 0.002 * n, 0.1, (0.002 * n + 0.001 * (n % 3)) * 4, 100, 0.01, now() - (40 - n) * interval '1 day'
         FROM generate_series(1, 30) AS n`,
    );
    const taught = await learning();
    const drift = of(taught, 'drift');
    expect([drift.pairs, drift.better, drift.table]).toEqual([30, true, 1]);
    expect(drift.fitted?.value).toBeCloseTo(2, 0);
    expect(drift.fitOff).toBeLessThan(drift.tableOff ?? NaN);
    expect(new Date(drift.since ?? '').getTime()).toBeLessThan(Date.now() - 10 * 86_400_000);
    expect(drift.latest.length).toBe(30);
    expect(of(taught, 'hop').pairs).toBe(30);
    const times = (await book()).learned?.driftTimes;
    expect(times).toBeCloseTo(drift.fitted?.value ?? NaN, 9);
    const { plan } = await ticketAt(shop, 'bench');
    const order = plan?.order;
    if (!order || !isLineOrder(order)) throw new Error('no order');
    expect(order.inputs.habits.learned?.driftTimes).toBeCloseTo(times ?? NaN, 9);
  });

  it('is put back to the table by an owner, and taken up again', async () => {
    const { version, book: own } = await book();
    const put = await shop.send('put', '/api/shop', { version, book: { ...own, putBack: ['drift'] } });
    expect([put.status, (put.body as Shop).learned?.driftTimes]).toEqual([200, null]);
    expect(of(await learning(), 'drift').better).toBeTrue();
    const again = await shop.send('put', '/api/shop', { version: version + 1, book: { ...own, putBack: [] } });
    expect((again.body as Shop).learned?.driftTimes).toBeCloseTo(2, 0);
    const wrong = await shop.send('put', '/api/shop', { version: version + 2, book: { ...own, putBack: ['weather'] } });
    expect(wrong.status).toBe(400);
  });

  it('a saw that comes back is opened beside its last check, and what was told then', async () => {
    const first = await atTheCheck();
    const at = `/api/tickets/${first.ticket.id}`;
    const cut = { runs: 'true', binds: false, chatters: false, note: '', wall: 'clean' };
    const passed = (await shop.send('post', `${at}/checks`, { ...cut, version: first.ticket.version })).body as Dossier;
    expect(passed.lastCheck).toBeNull();
    const charged = passed.prices.at(-1)?.high;
    const key = crypto.randomUUID();
    const told = { key, version: passed.ticket.version, charged, why: '', note: 'Full strokes, no pressure.' };
    expect((await shop.send('post', `${at}/handover`, told)).status).toBe(200);
    const again = {
      ...newTicketBody({ complaint: 'It binds.' }),
      customer: { id: first.customer.id },
      saw: { id: first.saw.id },
    };
    const back = (await shop.send('post', '/api/tickets', again)).body as Dossier;
    expect(back.lastCheck?.number).toBe(first.ticket.number);
    expect([back.lastCheck?.note, back.lastCheck?.rounds.length]).toEqual(['Full strokes, no pressure.', 1]);
    expect(back.lastCheck?.rounds[0]).toEqual(jasmine.objectContaining({ verdict: 'pass', wall: 'clean' }));
  });

  it('a test cut keeps the hop it was made with; readings of hands and of sets lost in a filing are learned from', async () => {
    const { ticket } = await atTheCheck();
    const narrow = await shop.send('post', `/api/tickets/${ticket.id}/checks`, {
      ...{ version: ticket.version, runs: 'true', binds: false, chatters: false, note: '', kerfMm: 0.1 },
    });
    expect([narrow.status, JSON.stringify(narrow.body)]).toEqual([
      400,
      jasmine.stringContaining('narrower than the plate'),
    ]);
    const half = await shop.send('post', `/api/tickets/${ticket.id}/checks`, {
      ...{ version: ticket.version, runs: 'true', binds: false, chatters: false, note: '', offLine: { mm: 1 } },
    });
    expect(half.status).toBe(400);
    const kept = await shop.send('post', `/api/tickets/${ticket.id}/checks`, {
      ...{ version: ticket.version, runs: 'true', binds: false, chatters: false, note: '' },
      ...{ kerfMm: 0.7, offLine: { mm: -0.5, overMm: 50 }, wall: 'clean', floor: 'flat', plate: 'straight' },
    });
    expect(kept.status).toBe(201);
    expect((kept.body as Dossier).checks[0]).toEqual(
      jasmine.objectContaining({ kerfMm: 0.7, offLineMm: -0.5, overMm: 50, wall: 'clean', floor: 'flat', again: null }),
    );
    const [row] = await shop.db.sequelize.query<{ hop: number | null }>(
      `SELECT hop_mm AS hop FROM check_round WHERE ticket_id = ${ticket.id}`,
      { type: QueryTypes.SELECT },
    );
    expect(row?.hop).not.toBeNull();
    await run(
      `INSERT INTO calibration (key, person_id, what, tool, amount, did_mm, created_by)
         SELECT gen_random_uuid(), ${shop.person}, 'stoning', '', 1 + n % 4, 0.008 * (1 + n % 4) + 0.0002 * (n % 3), ${shop.person}
           FROM generate_series(1, 20) AS n`,
    );
    const stone = of(await learning(), 'stone');
    expect([stone.pairs, stone.better]).toEqual([20, true]);
    expect(stone.fitted?.value).toBeCloseTo(0.008, 3);
    expect((await book()).learned?.stone?.rate).toBeCloseTo(stone.fitted?.value ?? NaN, 9);
    expect(of(await learning(), 'minutes').pairs).toBeGreaterThanOrEqual(0);
  });
});
