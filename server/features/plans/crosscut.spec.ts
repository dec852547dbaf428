import type { Dossier } from '@odontis/contract/dossier';
import { randomUUID } from 'node:crypto';
import { isLineOrder } from '@odontis/core/work/order';
import { walkOf } from '@odontis/core/work/step';
import { ordinarySaw } from '@odontis/core/saw/ordinary-saws';
import type { SawOf } from '@odontis/core/saw/saw';
import { gaugedCrosscut, wornCrosscut } from '../../demo/demo-crosscut';
import { seeded } from '../../demo/worn-line';
import type { TestShop } from '../../testing/test-shop';
import { newTicketBody, openTestShop } from '../../testing/test-shop';

const saw = {
  ...(ordinarySaw('one-man') as SawOf<'crosscut'>),
  toothLineMm: 400,
  pitchMm: 10,
} as const;

describe('a crosscut saw from its counter to its handover', () => {
  let shop: TestShop;
  beforeAll(async () => {
    shop = await openTestShop();
  });
  afterAll(() => shop.close());

  const length = (quantity: string, place: number, value: number) => ({
    ...{ key: randomUUID(), quantity, place, value, gauge: 'straight-edge' },
    ...{ part: null, setAside: false, corrects: null, simulated: false },
  });

  /** Opened and gauged, `more` besides; `cutters` of it measured, all where left out. */
  const measured = async (cutters?: number, more: object[] = []): Promise<Dossier> => {
    const body = { ...newTicketBody(), saw: { ...saw, name: 'Trail saw' } };
    const opened = await shop.send('post', '/api/tickets', body);
    expect(opened.status).toBe(201);
    const { ticket } = opened.body as Dossier;
    const random = seeded(11);
    const teeth = wornCrosscut(saw, { breastMm: 4, hollowMm: 0.3, tooLow: 1 }, random);
    const readings = gaugedCrosscut(saw, teeth, { widths: true, cutters }, random);
    const sent = await shop.send('post', `/api/tickets/${ticket.id}/evidence`, {
      session: { key: randomUUID(), kind: 'before' },
      seen: 0,
      readings: [...readings, ...more],
    });
    expect(sent.status).toBe(201);
    return (await shop.send('post', `/api/tickets/${ticket.id}/measured`, { version: ticket.version })).body as Dossier;
  };
  const accept = ({ ticket }: Dossier, more: object = {}) =>
    shop.send('post', `/api/tickets/${ticket.id}/plan`, {
      ...{
        version: ticket.version,
        depthMm: 0.15,
        line: 'free',
        rakeDeg: -30,
        fleamDeg: 25,
        convert: false,
        sample: false,
      },
      ...more,
    });

  it('is planned with its breast, its jointer and its rakers, walked, judged by its shavings and handed over', async () => {
    const dossier = await measured();
    expect(dossier.ticket.stage).toBe('plan');
    // So light a joint leaves long teeth their set: it is renewed where somebody wants it.
    const answer = await accept(dossier, { rakerMm: 0.4, rakerTip: 'swaged', set: 'renew' });
    expect(answer.status).toBe(201);
    const planned = answer.body as Dossier;
    const order = planned.plan?.order;
    if (!order || !isLineOrder(order)) throw new Error('no order');
    expect(order.forecast.line.breast?.sagittaMm).toBeGreaterThan(3);
    expect(order.steps.find((s) => s.kind === 'joint')?.jointer?.bendMm).toBeGreaterThan(0.3);
    expect(order.forecast.rakers).toEqual(jasmine.objectContaining({ wantedMm: 0.4, tip: 'swaged', unread: [] }));
    expect(order.forecast.rakers?.tooLow.length).toBe(1);
    expect(order.steps.map((s) => s.kind)).toEqual(
      jasmine.arrayContaining(['thin-rakers', 'swage', 'point', 'touch-up']),
    );
    const at = `/api/tickets/${planned.ticket.id}`;
    const events = walkOf(order.steps).map(({ index }) => ({
      id: randomUUID(),
      stop: index,
      action: 'done',
      at: new Date().toISOString(),
    }));
    const walked = await shop.send('post', `${at}/bench`, { planId: planned.plan?.id, events });
    expect(walked.status).toBeLessThan(300);
    const now = (await shop.send('get', at)).body as Dossier;
    expect(now.ticket.stage).toBe('check');
    await shop.send('post', `${at}/evidence`, {
      session: { key: randomUUID(), kind: 'after' },
      seen: now.seen,
      readings: [length('raker-depth', 3, 0.4), length('raker-depth', 6, 0.25)],
    });
    const cut = { runs: 'true', binds: false, chatters: false, note: '' };
    const again = await shop.send('post', `${at}/checks`, { ...cut, version: now.ticket.version, shavings: 'dust' });
    expect(again.status).toBe(201);
    const judged = again.body as Dossier;
    expect(judged.checks[0]).toEqual(
      jasmine.objectContaining({ verdict: 'again', shavings: 'dust', advice: ['file-rakers'] }),
    );
    expect(judged.checks[0]?.rakers).toEqual(jasmine.objectContaining({ read: 2, of: 13, high: 1 }));
    expect(judged.checks[0]?.rakers?.strokes).toBeGreaterThan(0);
    const passed = (
      await shop.send('post', `${at}/checks`, { ...cut, version: judged.ticket.version, shavings: 'ribbons' })
    ).body as Dossier;
    expect(passed.ticket.stage).toBe('handover');
    const report = await shop.send('get', `${at}/report.pdf`);
    expect(report.status).toBe(200);
  });

  it('a breast no saw has, and rakers above their cutters, are refused in a sentence', async () => {
    const dossier = await measured();
    const steep = await accept(dossier, { breastMm: 60 });
    expect([steep.status, (steep.body as { code: string }).code]).toEqual([422, 'readings-unfit']);
    expect((steep.body as { detail: string }).detail).toMatch(/60\.0 mm over 400 mm is more than any saw/);
    const above = await accept(dossier, { rakerMm: -0.1 });
    expect(above.status).toBe(400);
    expect((await accept(dossier, { breastMm: 0 })).status).toBe(201);
  });

  it('a breast gauged under a straight edge is the jointer’s, kept as it was read; one no saw has is refused', async () => {
    const gaps = [length('breast', 0, 6), length('breast', 200, 0), length('breast', 400, 6)];
    const dossier = await measured(undefined, gaps);
    const accepted = (await accept(dossier)).body as Dossier;
    const order = accepted.plan?.order;
    if (!order || !isLineOrder(order)) throw new Error('no order');
    expect(order.inputs.cutters?.gaugedMm).toBeCloseTo(6 * ((order.forecast.line.breast?.chordMm ?? 0) / 400) ** 2, 6);
    expect(order.forecast.line.breast?.sagittaMm).toBe(order.inputs.cutters?.gaugedMm ?? NaN);
    const wild = await shop.send('post', `/api/tickets/${dossier.ticket.id}/evidence`, {
      session: { key: randomUUID(), kind: 'before' },
      seen: accepted.seen,
      readings: [length('breast', 0, 60)],
    });
    expect(wild.status).toBe(400);
    expect(JSON.stringify(wild.body)).toContain('A breast of 60.0 mm is more than any saw is filed to');
  });

  it('measured in part it is not planned as the whole: its breast is not told by a part', async () => {
    const dossier = await measured(20);
    expect([(await accept(dossier)).status, ((await accept(dossier)).body as { code: string }).code]).toEqual([
      422,
      'measured-in-part',
    ]);
    const sampled = await accept(dossier, { sample: true });
    expect((sampled.body as { detail: string }).detail).toMatch(/not told by a part of it/);
  });
});
