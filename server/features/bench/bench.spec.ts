import { randomUUID } from 'node:crypto';
import type { BenchState } from '@odontis/contract/bench';
import type { Dossier } from '@odontis/contract/dossier';
import { walkOf } from '@odontis/core/work/step';
import { hollowReadings, lineBody, openTestShop, ticketAt } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';

const press = (stop: number, action: 'done' | 'back' = 'done') => ({
  id: randomUUID(),
  stop,
  action,
  at: new Date().toISOString(),
});

describe('plan and bench', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  it('freezes the accepted plan: the server works it out, the database refuses to change it', async () => {
    const dossier = await ticketAt(shop, 'bench');
    expect(dossier.ticket.stage).toBe('bench');
    expect(dossier.plan?.order.choice?.depthMm).toBe(0.1);
    expect(dossier.plan?.order.inputs?.readings.length).toBe(34);
    await expectAsync(shop.db.sequelize.query('UPDATE plan SET minutes = 1')).toBeRejectedWithError(/never changed/);
  });

  it('refuses a depth beyond the tooth and a plan on an old version', async () => {
    const { ticket } = await ticketAt(shop, 'plan');
    const choice = {
      version: ticket.version,
      depthMm: 5,
      line: 'free',
      rakeDeg: 0,
      fleamDeg: 0,
      convert: false,
      sample: false,
    };
    const deep = await shop.send('post', `/api/tickets/${ticket.id}/plan`, choice);
    expect((deep.body as { errors: { path: string }[] }).errors[0]?.path).toBe('/depthMm');
    const stale = await shop.send('post', `/api/tickets/${ticket.id}/plan`, { ...choice, depthMm: 0.1, version: 1 });
    expect(stale.status).toBe(409);
  });

  it('counts an event once however often it is sent, and a stop once whoever says it', async () => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    const at = `/api/tickets/${ticket.id}/bench`;
    const events = [press(0), press(1), press(2)];
    const send = (list: object[], by = shop.person) => shop.send('post', at, { planId: plan?.id, events: list }, by);
    await Promise.all([send(events), send(events), send([press(1)], shop.other)]);
    const state = (await send([press(2, 'back'), ...events])).body as BenchState;
    expect(state.done).toEqual([0, 1]);
    expect(await shop.db.models.BenchEvent.count({ where: { planId: plan?.id as number } })).toBe(5);
  });

  it('who stands on the other side is told what was done there, pressing nothing', async () => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    const send = (events: object[], by: number) =>
      shop.send('post', `/api/tickets/${ticket.id}/bench`, { planId: plan?.id, events }, by);
    await send([press(4)], shop.person);
    const seen = await send([], shop.other);
    expect([seen.status, (seen.body as BenchState).done]).toEqual([200, [4]]);
  });

  it('a press whose id comes in capitals is the same press, and counts', async () => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    const event = press(0);
    const send = (id: string) =>
      shop.send('post', `/api/tickets/${ticket.id}/bench`, { planId: plan?.id, events: [{ ...event, id }] });
    expect(((await send(event.id.toUpperCase())).body as BenchState).done).toEqual([0]);
    expect(((await send(event.id)).body as BenchState).done).toEqual([0]);
    expect(await shop.db.models.BenchEvent.count({ where: { id: event.id } })).toBe(1);
  });

  it('two thousand presses at once are a few statements, and come to what they would one by one', async () => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    const { planId, stops } = { planId: plan?.id as number, stops: walkOf(plan?.order.steps ?? []).length };
    const random = (n: number, i: number): number => (i * 7919 + 13) % n;
    const events = Array.from({ length: 2000 }, (_, i) => press(random(stops, i), i % 5 === 0 ? 'back' : 'done'));
    const kept = new Set<number>();
    for (const event of events)
      if (event.action === 'done') kept.add(event.stop);
      else kept.delete(event.stop);
    let statements = 0;
    shop.db.sequelize.addHook('beforeQuery', 'counted', () => void statements++);
    const answer = await shop.send('post', `/api/tickets/${ticket.id}/bench`, { planId, events });
    shop.db.sequelize.removeHook('beforeQuery', 'counted');
    // Who asks, and the presses.
    expect(statements).toBe(2);
    expect((answer.body as BenchState).done).toEqual([...kept].sort((a, b) => a - b));
    const again = await shop.send('post', `/api/tickets/${ticket.id}/bench`, { planId, events });
    expect((again.body as BenchState).done).toEqual((answer.body as BenchState).done);
    expect(await shop.db.models.BenchEvent.count({ where: { planId } })).toBe(2000);
  });

  it('keeps how each stop came to count as done; a screen of before, which did not say, pressed at its gullet', async () => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    const at = `/api/tickets/${ticket.id}/bench`;
    const send = (events: object[]) => shop.send('post', at, { planId: plan?.id, events });
    await send([press(0), { ...press(1), how: 'ear' }, { ...press(2), how: 'ear' }, { ...press(3), how: 'window' }]);
    const there = (await shop.send('get', `/api/tickets/${ticket.id}`)).body as Dossier;
    expect(there.plan?.how).toEqual({ gullet: 1, ear: 2, window: 1 });
    expect((await send([{ ...press(4), how: 'guess' }])).status).toBe(400);
  });

  it('moves to the check when every stop is done, and back when one is undone', async () => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    const stops = walkOf(plan?.order.steps ?? []);
    const at = `/api/tickets/${ticket.id}/bench`;
    const all = { planId: plan?.id, events: stops.map((s) => press(s.index)) };
    expect(((await shop.send('post', at, all)).body as BenchState).stage).toBe('check');
    const undone = { planId: plan?.id, events: [press(stops.length - 1, 'back')] };
    expect(((await shop.send('post', at, undone)).body as BenchState).stage).toBe('bench');
  });

  it('goes from check through stoning to handover and closes with a report', async () => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    const at = `/api/tickets/${ticket.id}`;
    await shop.send('post', `${at}/bench`, {
      planId: plan?.id,
      events: walkOf(plan?.order.steps ?? []).map((s) => press(s.index)),
    });
    const uneven = hollowReadings().map((r) => ({ ...r, yMm: -0.1, setMm: r.tooth % 2 ? 0.075 : 0.06 }));
    await shop.send('post', `${at}/evidence`, lineBody('after', uneven));
    let dossier = (await shop.send('get', at)).body as Dossier;
    const cut = (runs: string) => ({ version: dossier.ticket.version, runs, binds: false, chatters: false, note: '' });
    dossier = (await shop.send('post', `${at}/checks`, cut('left'))).body as Dossier;
    expect(dossier.checks[0]).toEqual(
      jasmine.objectContaining({ verdict: 'again', stoneSide: 'left', stonePasses: 3 }),
    );
    dossier = (await shop.send('post', `${at}/checks`, cut('true'))).body as Dossier;
    expect(dossier.ticket.stage).toBe('handover');
    const charged = dossier.prices.at(-1)?.high;
    const closing = { key: randomUUID(), version: dossier.ticket.version, charged, why: '', note: 'Enjoy.' };
    dossier = (await shop.send('post', `${at}/handover`, closing)).body as Dossier;
    expect(dossier.ticket).toEqual(jasmine.objectContaining({ stage: 'closed', closedBy: 'First Hand' }));
    expect(dossier.prices.at(-1)).toEqual(jasmine.objectContaining({ kind: 'charged', high: charged }));
    expect(
      (await shop.send('patch', at, { version: dossier.ticket.version, complaint: '', promisedOn: '2031-05-04' }))
        .status,
    ).toBe(409);
    for (const paper of ['report', 'tag']) {
      const pdf = await shop.send('get', `${at}/${paper}.pdf`);
      expect(pdf.type).toBe('application/pdf');
      expect((pdf.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    }
    const again = { customer: { id: dossier.customer.id }, saw: { id: dossier.saw.id } };
    const second = (
      await shop.send('post', '/api/tickets', {
        ...(await import('../../testing/test-shop')).newTicketBody(),
        ...again,
      })
    ).body as Dossier;
    expect(second.visits.map((v) => [v.number, v.depthMm, v.work])).toEqual([[ticket.number, 0.1, 'tune']]);
  });
});
