import { randomUUID } from 'node:crypto';
import type { KeptStoreRoom } from '@odontis/contract/store';
import { STROKES_PER_CORNER } from '@odontis/core/file/file-choice';
import { fileShelves } from '@odontis/core/store/shelf';
import type { Tool, ToolDeed } from '@odontis/core/store/tool';
import { strokesOfFiles, usesOf } from '@odontis/core/store/uses';
import { walkOf } from '@odontis/core/work/step';
import { openTestShop, ticketAt } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';

describe('the Store', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());
  const read = async (): Promise<KeptStoreRoom> => (await shop.send('get', '/api/store')).body as KeptStoreRoom;
  const add = (tool: Tool, key: string = randomUUID()) => shop.send('post', '/api/store/tools', { key, tool });
  const idOf = (room: KeptStoreRoom, name: string): number =>
    room.tools.find((one) => one.tool.name === name)?.id as number;
  const deed = (id: number, told: ToolDeed, by = shop.person, key: string = randomUUID()) =>
    shop.send('post', `/api/store/tools/${id}/deeds`, { key, deed: told }, by);
  const file = (name: string): Tool => ({ kind: 'file', name, note: '', corners: 3, cornerStrokes: 900 });

  it('keeps tools and what happened to them once however often it is sent; twins and what cannot be are refused', async () => {
    const key = randomUUID();
    const [first, again] = [await add(file('a slim one'), key), await add(file('a slim one'), key)];
    expect([first.status, again.status]).toEqual([201, 201]);
    const id = idOf(first.body as KeptStoreRoom, 'a slim one');
    const twin = await add(file('A SLIM one'));
    expect([twin.status, (twin.body as { detail: string }).detail]).toEqual([
      400,
      '“A SLIM one” is in the Store already.',
    ]);
    const bought = randomUUID();
    await Promise.all([1, 2, 3].map(() => deed(id, { what: 'bought', pieces: 2 }, shop.person, bought)));
    await deed(id, { what: 'begun' });
    await deed(id, { what: 'begun' }, shop.other);
    const none = await deed(id, { what: 'begun' }, shop.other);
    expect([none.status, (none.body as { detail: string }).detail]).toEqual([
      400,
      'No “a slim one” lies by: say what was bought, or count the shelf.',
    ]);
    const { stock } = (await read()).tools.find((one) => one.id === id) ?? { stock: null };
    expect([stock?.lying, stock?.inHand.map(({ personId, corner, strokes }) => [personId, corner, strokes])]).toEqual([
      0,
      [
        [shop.person, 1, 0],
        [shop.other, 1, 0],
      ],
    ]);
    const put = await shop.send('put', `/api/store/tools/${id}`, { ...file('a slim one'), note: 'top shelf' });
    expect((put.body as KeptStoreRoom).tools[0]?.tool.note).toBe('top shelf');
    const other = await shop.send('put', `/api/store/tools/${id}`, { kind: 'stone', name: 'x', note: '' });
    expect(other.status).toBe(400);
    expect((await deed(99_999, { what: 'begun' })).status).toBe(404);
    await expectAsync(shop.db.sequelize.query('UPDATE tool_deed SET pieces = 9')).toBeRejectedWithError(
      /never changed/,
    );
  });

  it('an accepted order keeps its corners, strokes pressed wear the hand’s that made them, and a turn ends a corner', async () => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    const steps = plan?.order.steps ?? [];
    const [wanted] = strokesOfFiles(steps);
    if (!plan || !wanted) throw new Error('No file in the order.');
    const id = idOf((await add(file(wanted.name))).body as KeptStoreRoom, wanted.name);
    await deed(id, { what: 'bought', pieces: 3 });
    await deed(id, { what: 'begun' });
    await deed(id, { what: 'begun' }, shop.other);
    const ordered = async () => (await read()).planned.find((one) => one.ticketId === ticket.id);
    const kept = async () => (await ordered())?.strokes ?? 0;
    expect(await kept()).toBe(wanted.strokes);
    expect((await ordered())?.ticketNumber).toBe(ticket.number);
    const uses = usesOf(steps).find((use) => use.name === wanted.name);
    if (!uses) throw new Error('No such use.');
    const press = (stop: number, action: 'done' | 'back' = 'done') => ({
      ...{ id: randomUUID(), stop, action, at: new Date().toISOString() },
    });
    const send = (stops: readonly number[], by: number, action: 'done' | 'back' = 'done') =>
      shop.send(
        'post',
        `/api/tickets/${ticket.id}/bench`,
        { planId: plan.id, events: stops.map((stop) => press(stop, action)) },
        by,
      );
    const own = uses.stops.slice(0, 6);
    await send(
      walkOf(steps)
        .slice(0, (own[0] ?? 0) + 1)
        .map((stop) => stop.index),
      shop.person,
    );
    await send(own.slice(1), shop.person);
    await send([uses.stops[6] as number], shop.other);
    await send([own[5] as number], shop.person, 'back');
    const made = uses.amounts.slice(0, 5).reduce((sum, n) => sum + n, 0);
    const worn = async (person: number): Promise<number | undefined> =>
      (await read()).tools.find((one) => one.id === id)?.stock.inHand.find((one) => one.personId === person)?.strokes;
    expect([await worn(shop.person), await worn(shop.other)]).toEqual([made, uses.amounts[6] as number]);
    expect(await kept()).toBe(wanted.strokes - made - (uses.amounts[6] ?? 0));
    await deed(id, { what: 'turned' });
    const room = await read();
    const shelf = fileShelves(room, STROKES_PER_CORNER).find((one) => one.name === wanted.name);
    expect(shelf?.kept?.stock.lives).toEqual([made]);
    expect(shelf?.kept?.stock.inHand.map((one) => [one.personId, one.corner, one.strokes])).toEqual([
      [shop.other, 1, uses.amounts[6] as number],
      [shop.person, 2, 0],
    ]);
    expect(room.used.find((one) => one.name === wanted.name)?.amount).toBe(made + (uses.amounts[6] ?? 0));
  });

  it('saws that wait for a plan are reckoned by the last orders of their family', async () => {
    const before = (await read()).unplanned.find((one) => one.family === 'back')?.saws ?? 0;
    await ticketAt(shop, 'plan');
    const soon = new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10);
    await shop.db.sequelize.query(`UPDATE ticket SET promised_on = '${soon}' WHERE stage = 'plan'`);
    const back = (await read()).unplanned.find((one) => one.family === 'back');
    expect(back?.saws).toBe(before + 1);
    expect(back?.learnedFrom).toBeGreaterThan(0);
    const totals = await shop.db.models.PlanTool.findAll({ where: { kind: 'file' } });
    const sum = totals.reduce((all, row) => all + row.total, 0);
    const reckoned = (back?.files ?? []).reduce((all, one) => all + one.strokesEach, 0);
    expect(reckoned).toBeCloseTo(sum / (back?.learnedFrom ?? 1), 6);
  });

  it('a plan is worked out with the files it was shown with', async () => {
    const { ticket } = await ticketAt(shop, 'plan');
    const choice = {
      ...{ version: ticket.version, depthMm: 0.1, line: 'free', rakeDeg: 0, fleamDeg: 0 },
      ...{ convert: false, sample: false },
    };
    const plain = await ticketAt(shop, 'bench');
    const best = plain.plan?.order.forecast?.file.name as string;
    const answer = await shop.send('post', `/api/tickets/${ticket.id}/plan`, {
      ...choice,
      files: ['6 in extra slim taper'],
    });
    const order = (answer.body as typeof plain).plan?.order;
    expect(order?.inputs?.filesAtHand).toEqual(['6 in extra slim taper']);
    expect([best === '6 in extra slim taper', order?.forecast?.file.name]).toEqual([false, '6 in extra slim taper']);
  });
});
