import { randomUUID } from 'node:crypto';
import type { Dossier } from '@odontis/contract/dossier';
import type { OutboxMessage } from '@odontis/contract/notes';
import type { ProblemBody } from '@odontis/contract/problem';
import { priceStanding } from '@odontis/core/money/price-chain';
import { QueryTypes } from 'sequelize';
import type { TestShop } from '../../testing/test-shop';
import { openTestShop, ticketAt } from '../../testing/test-shop';

describe('one price from counter to bill', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  const read = async (id: number): Promise<Dossier> => (await shop.send('get', `/api/tickets/${id}`)).body as Dossier;
  const say = (dossier: Dossier, word: object, as = shop.person) =>
    shop.send(
      'post',
      `/api/tickets/${dossier.ticket.id}/price`,
      { key: randomUUID(), version: dossier.ticket.version, note: '', ...word },
      as,
    );
  const press = (dossier: Dossier, stops: number[], action = 'done') =>
    shop.send('post', `/api/tickets/${dossier.ticket.id}/bench`, {
      planId: dossier.plan?.id,
      events: stops.map((stop) => ({ id: randomUUID(), stop, action, at: new Date().toISOString() })),
    });
  /** A ticket at the bench whose plan comes to more than its quote, which is brought down beforehand. */
  async function overTheQuote(): Promise<Dossier> {
    const planned = await ticketAt(shop, 'plan');
    await shop.db.sequelize.query(
      `ALTER TABLE price_word DISABLE TRIGGER price_word_is_kept;
       UPDATE price_word SET low = 5, high = 9 WHERE ticket_id = ${planned.ticket.id};
       ALTER TABLE price_word ENABLE TRIGGER price_word_is_kept;`,
    );
    const choice = {
      ...{ version: planned.ticket.version, depthMm: 0.1, line: 'free', rakeDeg: 0, fleamDeg: 0 },
      ...{ convert: false, sample: false },
    };
    const answer = await shop.send('post', `/api/tickets/${planned.ticket.id}/plan`, choice);
    expect(answer.status).withContext(JSON.stringify(answer.body)).toBe(201);
    return answer.body as Dossier;
  }

  it('a plan within what was quoted is begun; its price is one word more, and nothing is held', async () => {
    const { prices, ticket, plan } = await ticketAt(shop, 'bench');
    expect(prices.map((word) => word.kind)).toEqual(['estimate', 'plan']);
    expect(prices[1]?.high).toBe(plan?.order.price?.amount);
    expect(ticket.heldFrom).toBeNull();
  });

  it('above it, only what the old sum covers is begun, until the customer says yes', async () => {
    const dossier = await overTheQuote();
    const { heldFrom } = dossier.ticket;
    expect(heldFrom).toBeGreaterThanOrEqual(0);
    const held = heldFrom ?? 0;
    const refused = await press(dossier, [held]);
    expect([refused.status, (refused.body as ProblemBody).code]).toEqual([409, 'price-not-agreed']);
    if (held > 0) expect((await press(dossier, [0])).status).toBe(200);
    const now = await read(dossier.ticket.id);
    const asked = await say(now, {
      ...{ kind: 'asked', upTo: priceStanding(now.prices).live?.high },
      message: { sentTo: '0555 1', body: 'May we go on?' },
    });
    const waits = asked.body as Dossier;
    expect([waits.ticket.waitsFor, waits.messages.at(-1)?.kind]).toEqual(['customer', 'price']);
    expect(waits.prices.at(-1)?.quote).toBe(`${dossier.ticket.number}-2`);
    const yes = { kind: 'agreed', upTo: priceStanding(waits.prices).live?.high, wordBy: 'telephone', said: 'Wren' };
    const agreed = (await say(waits, yes)).body as Dossier;
    expect([agreed.ticket.heldFrom, agreed.ticket.waitsFor]).toEqual([null, null]);
    expect(agreed.prices.at(-1)).toEqual(
      jasmine.objectContaining({ kind: 'agreed', said: 'Wren', wordBy: 'telephone' }),
    );
    expect((await press(agreed, [held])).status).toBe(200);
  });

  it('a yes on a ticket that was planned again since is refused, and nothing of it kept; sent twice it is said once', async () => {
    const dossier = await overTheQuote();
    const stale = { ...dossier, ticket: { ...dossier.ticket, version: dossier.ticket.version - 1 } };
    const yes = { kind: 'agreed', upTo: 100, wordBy: 'counter', said: '' };
    expect(((await say(stale, yes)).body as ProblemBody).code).toBe('edited-elsewhere');
    const key = randomUUID();
    const both = await Promise.all([say(dossier, { ...yes, key }), say(dossier, { ...yes, key })]);
    expect(both.map((answer) => answer.status)).toEqual([201, 201]);
    expect((await read(dossier.ticket.id)).prices.filter((word) => word.kind === 'agreed').length).toBe(1);
  });

  it('an owner lets the work begin without a yes; the bill stays within what was agreed', async () => {
    const dossier = await overTheQuote();
    await shop.db.models.Person.update({ role: 'filer' }, { where: { id: shop.other } });
    const asFiler = await say(dossier, { kind: 'waived', upTo: 50 }, shop.other);
    expect((asFiler.body as ProblemBody).code).toBe('not-allowed');
    const waived = (await say(dossier, { kind: 'waived', upTo: 50, note: 'An old customer.' })).body as Dossier;
    expect(waived.ticket.heldFrom).toBeNull();
    await shop.db.models.Ticket.update({ stage: 'handover' }, { where: { id: dossier.ticket.id } });
    const closing = { key: randomUUID(), version: waived.ticket.version, charged: 12, why: '', note: '' };
    const over = await shop.send('post', `/api/tickets/${dossier.ticket.id}/handover`, closing);
    expect([over.status, (over.body as ProblemBody).code]).toEqual([409, 'price-not-agreed']);
    const within = { ...closing, charged: 9 };
    const unsaid = await shop.send('post', `/api/tickets/${dossier.ticket.id}/handover`, within);
    expect((unsaid.body as ProblemBody).errors[0]?.path).toBe('/why');
    const told = { ...within, why: 'The owner waived it.' };
    const at = `/api/tickets/${dossier.ticket.id}/handover`;
    const [first, second] = [await shop.send('post', at, told), await shop.send('post', at, told)];
    expect([first.status, second.status]).toEqual([200, 200]);
    const closed = second.body as Dossier;
    expect(closed.prices.filter((word) => word.kind === 'charged').map((word) => [word.high, word.note])).toEqual([
      [9, 'The owner waived it.'],
    ]);
  });

  it('what cannot be said is refused: a smaller quote, an answer without how it came, a waiver of nothing', async () => {
    const dossier = await ticketAt(shop, 'bench');
    const faults = [
      { kind: 'asked', upTo: 1 },
      { kind: 'agreed', upTo: 100, said: '' },
      { kind: 'waived', upTo: 100 },
      { kind: 'agreed', upTo: -1, wordBy: 'counter', said: '' },
      { kind: 'charged', upTo: 10 },
    ];
    for (const fault of faults)
      expect((await say(dossier, fault)).status)
        .withContext(JSON.stringify(fault))
        .toBe(400);
    expect((await read(dossier.ticket.id)).prices.length).toBe(2);
  });

  it('no word is ever changed or taken away, in the database too', async () => {
    for (const sql of ['UPDATE price_word SET high = high + 1', 'DELETE FROM price_word'])
      await expectAsync(shop.db.sequelize.query(sql)).toBeRejectedWithError(/never changed/);
  });

  it('a note that tells a price which was spoken of since is not sent', async () => {
    const dossier = await overTheQuote();
    const high = priceStanding(dossier.prices).live?.high ?? 0;
    const asked = (await say(dossier, { kind: 'asked', upTo: high, message: { sentTo: '0555 1', body: 'May we?' } }))
      .body as Dossier;
    await say(asked, { kind: 'refused', upTo: high, wordBy: 'counter', said: '' });
    const carried = (await shop.send('post', '/api/outbox/carry', {})).body as OutboxMessage[];
    expect(carried.find((one) => one.ticketId === dossier.ticket.id)?.state).toBe('overtaken');
    const sent = await shop.db.sequelize.query(`SELECT id FROM message WHERE state = 'sent' AND ticket_id = :id`, {
      ...{ type: QueryTypes.SELECT as const, replacements: { id: dossier.ticket.id } },
    });
    expect(sent).toEqual([]);
  });

  it('given back at the bench: what was done stays, a fee is within what was agreed, and the Store is free again', async () => {
    const dossier = await ticketAt(shop, 'bench');
    await press(dossier, [0]);
    const now = await read(dossier.ticket.id);
    const end = (change: object) =>
      shop.send('post', `/api/tickets/${dossier.ticket.id}/end`, {
        ...{ key: randomUUID(), version: now.ticket.version, ending: 'given-up', by: 'shop' },
        ...{ reason: 'The kink would not come out.', tried: 'Hammered for half an hour.', fee: 8, ...change },
      });
    expect(((await end({ fee: 9999 })).body as ProblemBody).code).toBe('price-not-agreed');
    const ended = (await end({})).body as Dossier;
    expect([ended.ticket.endedAs, ended.ticket.endedFrom, ended.ticket.tried]).toEqual([
      'given-up',
      'bench',
      'Hammered for half an hour.',
    ]);
    expect(ended.plan?.done).toEqual([0]);
    expect(ended.prices.at(-1)).toEqual(jasmine.objectContaining({ kind: 'charged', high: 8 }));
    expect((await shop.send('get', `/api/tickets/${ended.ticket.id}/report.pdf`)).status).toBe(200);
  });
});

describe('what is done before measuring', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  it('is kept once, is no step of the order any more, and its minutes are in the price', async () => {
    const planned = await ticketAt(shop, 'plan');
    const { id, version } = planned.ticket;
    await shop.db.models.Ticket.update(
      { marks: [{ kind: 'rust', along: 0.5, down: 0.5, grade: 'heavy' }] },
      { where: { id } },
    );
    const done = { key: randomUUID(), version, kind: 'clean', result: 'came-out', minutes: 42 };
    const at = `/api/tickets/${id}/preparing`;
    expect((await shop.send('post', at, { ...done, result: 'perhaps' })).status).toBe(400);
    const [first, second] = [await shop.send('post', at, done), await shop.send('post', at, done)];
    expect([first.status, second.status]).toEqual([201, 201]);
    const { preparations, ticket } = second.body as Dossier;
    expect(preparations.map(({ kind, result, minutes, by }) => [kind, result, minutes, by])).toEqual([
      ['clean', 'came-out', 42, 'First Hand'],
    ]);
    expect((await shop.send('post', at, { ...done, key: randomUUID() })).status).toBe(409);
    const choice = {
      ...{ version: ticket.version, depthMm: 0.1, line: 'free', rakeDeg: 0, fleamDeg: 0 },
      ...{ convert: false, sample: false },
    };
    const accepted = (await shop.send('post', `/api/tickets/${id}/plan`, choice)).body as Dossier;
    expect(accepted.plan?.order.steps.map((step) => step.kind)).not.toContain('clean');
    const word = accepted.prices.at(-1);
    expect(word?.minutesHigh).toBeCloseTo(42 + (accepted.plan?.order.minutes ?? 0), 6);
    expect(word?.note).toContain('42 minutes of it went into preparing');
  });
});

describe('deeds at the vise', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());
  const send = (dossier: Dossier, planId: number | undefined, events: object[]) =>
    shop.send('post', `/api/tickets/${dossier.ticket.id}/bench`, {
      planId,
      events: events.map((event) => ({ id: randomUUID(), at: new Date().toISOString(), ...event })),
    });
  const read = async (id: number): Promise<Dossier> => (await shop.send('get', `/api/tickets/${id}`)).body as Dossier;

  it('a stop left out is past, with its reason, and not done; done after all it is done; how a step went is kept', async () => {
    const dossier = await ticketAt(shop, 'bench');
    const planId = dossier.plan?.id;
    await send(dossier, planId, [
      { stop: 0, action: 'done', result: 'did-not', minutes: 25 },
      { stop: 1, action: 'skipped', reason: 'straight already' },
      { stop: 2, action: 'skipped', reason: 'later' },
      { stop: 2, action: 'done' },
    ]);
    const { plan } = await read(dossier.ticket.id);
    expect([plan?.done, plan?.skipped, plan?.results]).toEqual([
      [0, 2],
      [{ stop: 1, reason: 'straight already' }],
      [{ stop: 0, result: 'did-not', minutes: 25 }],
    ]);
    await send(dossier, planId, [{ stop: 1, action: 'back' }]);
    expect((await read(dossier.ticket.id)).plan?.skipped).toEqual([]);
    expect((await send(dossier, planId, [{ stop: 3, action: 'skipped', minutes: 3 }])).status).not.toBe(200);
  });

  it('all left out is all gone by: the ticket goes on to its check', async () => {
    const dossier = await ticketAt(shop, 'bench');
    const stops = dossier.plan?.order.steps.reduce((sum, step) => sum + step.stops.length, 0) ?? 0;
    await send(
      dossier,
      dossier.plan?.id,
      Array.from({ length: stops }, (_, stop) => ({ stop, action: 'skipped', reason: 'as it is' })),
    );
    expect((await read(dossier.ticket.id)).ticket.stage).toBe('check');
  });

  it('a press of before a newer plan, however late, is kept with the order it was of; one made after it is refused', async () => {
    const dossier = await ticketAt(shop, 'bench');
    const early = new Date().toISOString();
    const choice = {
      ...{ version: dossier.ticket.version, depthMm: 0.1, line: 'free', rakeDeg: 0, fleamDeg: 0 },
      ...{ convert: false, sample: false },
    };
    await new Promise((resolve) => setTimeout(resolve, 20));
    const again = (await shop.send('post', `/api/tickets/${dossier.ticket.id}/plan`, choice)).body as Dossier;
    expect([again.plan?.number, again.earlier.length]).toEqual([2, 1]);
    expect((await send(dossier, dossier.plan?.id, [{ stop: 0, action: 'done', at: early }])).status).toBe(200);
    expect((await send(dossier, dossier.plan?.id, [{ stop: 1, action: 'done' }])).status).toBe(409);
    const now = await read(dossier.ticket.id);
    expect([now.earlier[0]?.done, now.plan?.done, now.ticket.stage]).toEqual([[0], [], 'bench']);
  });
});
