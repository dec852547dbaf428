import type { Dossier } from '@odontis/contract/dossier';
import type { NewTicket } from '@odontis/contract/ticket';
import { isLineOrder } from '@odontis/core/work/order';
import { randomUUID } from 'node:crypto';
import { teethOf } from '@odontis/core/saw/saw';
import { walkOf } from '@odontis/core/work/step';
import type { TestShop } from '../../testing/test-shop';
import { hollowReadings, lineBody, newTicketBody, openTestShop } from '../../testing/test-shop';

describe('what is known of a saw reaches its order', () => {
  let shop: TestShop;
  beforeAll(async () => {
    shop = await openTestShop();
  });
  afterAll(() => shop.close());

  const planned = async (more: Partial<NewTicket['intake']>, teeth = 34): Promise<Dossier> => {
    const opened = (await shop.send('post', '/api/tickets', newTicketBody(more))).body as Dossier;
    const at = `/api/tickets/${opened.ticket.id}`;
    await shop.send('post', `${at}/evidence`, lineBody('before', hollowReadings(teeth)));
    return (await shop.send('post', `${at}/measured`, { version: opened.ticket.version })).body as Dossier;
  };
  const accept = ({ ticket }: Dossier, more: object = {}) =>
    shop.send('post', `/api/tickets/${ticket.id}/plan`, {
      version: ticket.version,
      depthMm: 0.1,
      line: 'free',
      rakeDeg: 0,
      fleamDeg: 0,
      convert: false,
      sample: false,
      ...more,
    });
  const orderOf = (body: unknown) => {
    const order = (body as Dossier).plan?.order;
    if (!order || !isLineOrder(order)) throw new Error('There is no order of a measured line.');
    return order;
  };

  it('which way was chosen, the least that would have done, and why are kept with it', async () => {
    const kept = (await accept(await planned({}), { depthMm: 0, why: 'It is wanted back tonight.' })).body as Dossier;
    expect([kept.plan?.way, kept.plan?.why]).toEqual(['sharpen', 'It is wanted back tonight.']);
    expect(
      kept.plan?.least === null || ['sharpen', 'joint', 'tune', 'retooth'].includes(kept.plan?.least ?? ''),
    ).toBeTrue();
    const unsaid = (await accept(await planned({}), { depthMm: 0.013 })).body as Dossier;
    expect([unsaid.plan?.way, unsaid.plan?.why]).toEqual([null, '']);
    const wordy = await accept(await planned({}), { why: 'x'.repeat(501) });
    expect(wordy.status).toBe(400);
  });

  it('the owner’s wish to convert is the order: its angles, its steps, the filing it had kept beside', async () => {
    const dossier = await planned({ wantsFiling: 'crosscut', consents: ['converting'] });
    const answer = await accept(dossier, { convert: true, rakeDeg: -15, fleamDeg: 15 });
    expect(answer.status).toBe(201);
    const order = orderOf(answer.body);
    expect([order.work, order.inputs.saw.filing, order.inputs.from?.filing]).toEqual(['convert', 'crosscut', 'rip']);
    expect(order.steps.map((s) => s.kind)).toEqual(
      jasmine.arrayContaining(['set-out', 'reshape', 'joint-again', 'last-pass', 'test']),
    );
    // The owner may yet be persuaded: kept as it is, it is an ordinary tune.
    const kept = orderOf((await accept(await planned({ wantsFiling: 'crosscut', consents: ['converting'] }))).body);
    expect([kept.work, kept.inputs.from]).toEqual(['tune', null]);
    // A wish nobody had is not made up.
    const plain = orderOf((await accept(await planned({}), { convert: true })).body);
    expect([plain.work, plain.inputs.saw.filing]).toEqual(['tune', 'rip']);
  });

  it('a line measured in part is not planned as the whole; as a sample it is, with the time of all teeth', async () => {
    const dossier = await planned({}, 14);
    const refused = await accept(dossier);
    expect([refused.status, (refused.body as { code: string }).code]).toEqual([422, 'measured-in-part']);
    expect((refused.body as { detail: string }).detail).toMatch(/^14 teeth are measured and the ticket says 3\d\./);
    const order = orderOf((await accept(dossier, { sample: true })).body);
    expect([order.inputs.measured, order.inputs.readings.length, order.choice.sample]).toEqual([
      14,
      order.inputs.saw.teeth as number,
      true,
    ]);
    expect(order.inputs.readings.filter((r) => r.sample).length).toBe(order.inputs.readings.length - 14);
    expect(order.steps.find((s) => s.kind === 'sharpen')?.stops.length).toBe(order.inputs.readings.length + 1);
    expect(order.minutesError).toBeGreaterThan(0);
  });

  it('the ticket’s teeth are corrected by what was measured, and then it is the whole saw', async () => {
    const dossier = await planned({}, 29);
    const { ticket } = dossier;
    const edit = (line: object) =>
      shop.send('patch', `/api/tickets/${ticket.id}`, {
        version: ticket.version,
        complaint: ticket.complaint,
        promisedOn: ticket.promisedOn,
        line,
      });
    const silly = await edit({ pitchMm: 0.5, teeth: 14 });
    expect((silly.body as { errors: { path: string }[] }).errors[0]?.path).toBe('/line/pitchMm');
    const tiny = await edit({ pitchMm: 1.8143, teeth: 14 });
    expect((tiny.body as { detail: string }).detail).toContain('The length of the tooth line');
    const corrected = await edit({ pitchMm: 1.8143, teeth: 29 });
    expect(corrected.status).toBe(200);
    const now = corrected.body as Dossier;
    expect(now.saw.pitchMm).toBeCloseTo(1.8143, 9);
    expect(now.saw.toothLineMm).toBeCloseTo(28 * 1.8143, 9);
    expect((await accept(now)).status).toBe(201);
  });

  it('starter teeth are written on the ticket from what was measured, and planned with their own file', async () => {
    const toe = Array.from({ length: 41 }, (_, i) => (i < 29 ? i * 1.8143 : 28 * 1.8143 + 1.8143 + (i - 29) * 1));
    const opened = (await shop.send('post', '/api/tickets', newTicketBody())).body as Dossier;
    const at = `/api/tickets/${opened.ticket.id}`;
    const readings = toe.map((xMm, i) => ({
      tooth: i + 1,
      xMm: xMm + 0.02 * Math.sin(i * 1.9),
      yMm: 0,
      lean: i % 2 ? ('right' as const) : ('left' as const),
      setMm: 0.05,
      kind: 'tooth' as const,
      note: '',
    }));
    await shop.send('post', `${at}/evidence`, lineBody('before', readings));
    const { ticket } = (await shop.send('post', `${at}/measured`, { version: opened.ticket.version })).body as Dossier;
    const line = {
      pitchMm: 1.8143,
      teeth: 41,
      toeZones: [{ teeth: 12, pitchFromMm: 1, pitchToMm: 1, relaxFromDeg: 5, relaxToDeg: 5 }],
    };
    const { complaint, promisedOn, version } = ticket;
    const corrected = await shop.send('patch', at, { version, complaint, promisedOn, line });
    expect(corrected.status).toBe(200);
    const now = corrected.body as Dossier;
    expect(teethOf(now.saw)).toBe(41);
    const order = orderOf((await accept(now, { depthMm: 0 })).body);
    expect([order.work, order.inputs.saw.toeZones?.length]).toEqual(['sharpen', 1]);
    const parts = order.steps
      .filter((s) => s.kind === 'sharpen')
      .map((s) => [s.stretch?.fromTooth, s.stretch?.toTooth]);
    expect(parts).toEqual([
      [1, 29],
      [30, 41],
    ]);
    // Taken off again, the line is of one pitch.
    const plain = await shop.send('patch', at, { version: 1, complaint, promisedOn, line: { ...line, toeZones: [] } });
    expect(plain.status).toBe(409);
  });

  it('new teeth at another pitch are the order; measured again and handed back, the saw is one of that pitch', async () => {
    const dossier = await planned({});
    const answer = await accept(dossier, { depthMm: 0, retoothMm: 2.54 });
    expect(answer.status).toBe(201);
    const order = orderOf(answer.body);
    expect([order.work, order.inputs.saw.pitchMm, order.choice.retoothMm]).toEqual(['retooth', 2.54, 2.54]);
    expect(order.choice.depthMm).toBeGreaterThan(0.5);
    const { ticket, plan, prices } = answer.body as Dossier;
    const at = `/api/tickets/${ticket.id}`;
    // New teeth come to more than was quoted for what it came for: the customer is asked before it is begun.
    const charged = prices.findLast((word) => word.kind === 'plan')?.high ?? 0;
    const yes = { kind: 'agreed', upTo: charged, wordBy: 'telephone', said: '', note: '' };
    expect(
      (await shop.send('post', `${at}/price`, { key: randomUUID(), version: ticket.version, ...yes })).status,
    ).toBe(201);
    const events = walkOf(order.steps).map(({ index }) => ({
      id: randomUUID(),
      stop: index,
      action: 'done',
      at: '2031-05-02T10:00:00Z',
    }));
    await shop.send('post', `${at}/bench`, { planId: plan?.id, events });
    const n = order.inputs.readings.length;
    expect((await shop.send('post', `${at}/evidence`, lineBody('after', hollowReadings(n)))).status).toBe(201);
    const checked = (await shop.send('get', at)).body as Dossier;
    const cut = {
      version: checked.ticket.version,
      wood: 'dry-soft',
      runs: 'true',
      binds: false,
      chatters: false,
      note: '',
    };
    const passed = (await shop.send('post', `${at}/checks`, cut)).body as Dossier;
    expect(passed.ticket.stage).toBe('handover');
    const closing = { key: crypto.randomUUID(), version: passed.ticket.version, charged, why: '', note: '' };
    const closed = (await shop.send('post', `${at}/handover`, closing)).body as Dossier;
    expect([closed.ticket.stage, closed.saw.pitchMm, teethOf(closed.saw)]).toEqual(['closed', 2.54, n]);
  });

  it('an etch, a loose handle and a bend are in the steps and their cautions; the shop’s money is in the order', async () => {
    const dossier = await planned({
      etch: true,
      consents: ['etch'],
      marks: [
        { kind: 'bend', along: 0.5, down: 0.5 },
        { kind: 'loose-handle', along: 0, down: 0 },
        { kind: 'rust', along: 0.3, down: 0.2 },
      ],
    });
    const order = orderOf((await accept(dossier)).body);
    expect(order.steps.slice(0, 3).map((s) => s.kind)).toEqual(['clean', 'straighten', 'tighten']);
    expect(order.steps[0]?.cautions.join(' ')).toContain('etch');
    expect(order.price?.amount).toBeGreaterThan(0);
    expect(order.inputs.keys.length).toBeGreaterThan(34);
  });
});
