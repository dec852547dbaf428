import type { Dossier } from '@odontis/contract/dossier';
import type { Saw } from '@odontis/core/saw/saw';
import type { AlikeSaw, CounterBook, KnownSaw, NewTicket, RackRow } from '@odontis/contract/ticket';
import { teethOf } from '@odontis/core/saw/saw';
import { ORDINARY_SAWS } from '@odontis/core/saw/ordinary-saws';
import type { PlateMark } from '@odontis/core/saw/plate-marks';
import { otherSaw } from '../../demo/other-saws';
import type { TestShop } from '../../testing/test-shop';
import { newTicketBody, openTestShop, ticketAt } from '../../testing/test-shop';

type Intake = Partial<NewTicket['intake']>;

describe('saws of every family at the counter', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  const body = (saw: Saw, intake: Intake = {}, more: Partial<NewTicket> = {}): NewTicket => ({
    ...newTicketBody(intake),
    saw,
    ...more,
  });
  const of = (id: string): Saw => otherSaw(id, () => 0.5);
  const open = async (wanted: NewTicket): Promise<Dossier> => {
    const answer = await shop.send('post', '/api/tickets', wanted);
    expect(answer.status).withContext(JSON.stringify(answer.body)).toBe(201);
    return answer.body as Dossier;
  };
  const mark = (kind: PlateMark['kind'], more: Partial<PlateMark> = {}): PlateMark => ({
    kind,
    along: 0.5,
    down: 0.95,
    ...more,
  });

  it('keeps every one as it was told, and knows its teeth', async () => {
    for (const { id, saw: ordinary } of ORDINARY_SAWS.filter((p) => !['hand', 'back'].includes(p.saw.family))) {
      const decision = id === 'blade-carbide' ? 'send-on' : 'take';
      const { saw, prices } = await open(body(of(id), {}, { decision }));
      expect(saw.family).withContext(id).toBe(ordinary.family);
      expect(teethOf(saw)).withContext(id).toBeGreaterThan(8);
      const [estimate] = prices;
      expect(estimate?.kind).withContext(id).toBe('estimate');
      expect(estimate?.high ?? 0)
        .withContext(id)
        .toBeGreaterThanOrEqual(estimate?.low ?? 1);
      expect(estimate?.minutesHigh ?? 0)
        .withContext(id)
        .toBeGreaterThan(5);
    }
    const { saw } = await open(body(of('dado')));
    expect(saw.family === 'dado' && saw.parts.map((p) => p.id)).toEqual([
      'left outer',
      'chipper 1',
      'chipper 2',
      'chipper 3',
      'right outer',
    ]);
  });

  it('the database itself refuses a family’s facts that are none', async () => {
    const insert = (family: string, filing: string, shape: object): Promise<unknown> =>
      shop.db.sequelize.query(
        `INSERT INTO saw (customer_id, name, family, filing, pitch_mm, convention, tooth_line_mm, plate_thickness_mm,
           plate_depth_heel_mm, plate_depth_toe_mm, back_fixing, created_by, shape)
         VALUES (1, 'x', :family, :filing, 5, 'teeth', 800, 1, 50, 50, 'none', 1, :shape)`,
        { replacements: { family, filing, shape: JSON.stringify(shape) } },
      );
    const blade = { diameterMm: 250, boreMm: 30, tipped: 'steel', markedLimitRpm: null };
    await expectAsync(insert('chain', 'rip', {})).toBeRejectedWithError(/saw_family_known/);
    await expectAsync(insert('band', 'rip', {})).toBeRejectedWithError(/saw_shape_fits/);
    await expectAsync(insert('circular', 'rip', { ...blade, boreMm: 300 })).toBeRejectedWithError(/saw_shape_fits/);
    await expectAsync(insert('dado', 'combination', { ...blade, parts: [] })).toBeRejectedWithError(/saw_shape_fits/);
    await expectAsync(insert('crosscut', 'crosscut', { kind: 'one-man', pattern: 'CXR' })).toBeRejectedWithError(
      /saw_shape_fits/,
    );
    await expectAsync(insert('hand', 'combination', {})).toBeRejectedWithError(/saw_filing_fits/);
    await expectAsync(insert('hand', 'rip', { edges: 2 })).toBeRejectedWithError(/saw_shape_fits/);
    await expectAsync(insert('circular', 'rip', blade)).toBeResolved();
  });

  it('refuses a cracked band and a set with a cracked outer blade, and says which part of a set', async () => {
    const band = body(of('band-narrow'), { marks: [mark('crack')] });
    expect((await shop.send('post', '/api/tickets', band)).status).toBe(400);
    const kept = await open({ ...band, decision: 'decline' });
    expect([kept.ticket.stage, kept.ticket.reasons[0]?.rule]).toEqual(['declined', 'powered-crack']);
    const set = await open(body(of('dado'), { marks: [mark('crack', { part: 4 })] }, { decision: 'decline' }));
    expect(set.ticket.reasons.map((r) => r.part ?? '').sort()).toEqual(['', 'right outer']);
  });

  it('a carbide blade is sent on and waits at the grinder; to the bench it comes only with a reason', async () => {
    const blade = body(of('blade-carbide'));
    expect((await shop.send('post', '/api/tickets', blade)).status).toBe(400);
    const { ticket } = await open({ ...blade, decision: 'send-on' });
    expect([ticket.stage, ticket.waitsFor, ticket.verdict]).toEqual(['measure', 'grinder', 'take-if']);
    expect((await shop.send('post', '/api/tickets', body(of('blade-rip'), {}, { decision: 'send-on' }))).status).toBe(
      400,
    );
    const { due } = (await shop.send('get', '/api/counter')).body as CounterBook;
    const rack = (await shop.send('get', '/api/rack')).body as RackRow[];
    expect(due.length).toBe(rack.filter((r) => r.waitsFor !== 'grinder').length);
  });

  it('marks that such a saw cannot have are refused, of a saw in the book too', async () => {
    const first = await open(body(of('band-wide'), { overrideReason: 'no room' }, { decision: 'decline' }));
    const again = {
      ...newTicketBody({ marks: [mark('loose-handle')] }),
      customer: { id: first.customer.id },
      saw: { id: first.saw.id },
    };
    const answer = await shop.send('post', '/api/tickets', again);
    expect((answer.body as { detail: string }).detail).toBe('A band has no handle: that mark belongs to another saw.');
  });

  it('an intake sent twice opens one ticket, also when both come at once', async () => {
    const wanted = newTicketBody();
    const both = await Promise.all([
      shop.send('post', '/api/tickets', wanted),
      shop.send('post', '/api/tickets', wanted),
    ]);
    const third = await shop.send('post', '/api/tickets', wanted);
    const ids = [...both, third].map((a) => (a.body as Dossier).ticket.id);
    expect(new Set(ids).size).toBe(1);
    expect(await shop.db.models.Ticket.count({ where: { intakeKey: wanted.key } })).toBe(1);
  });

  it('two counters taking tickets at once never give one number twice', async () => {
    const answers = await Promise.all(
      Array.from({ length: 24 }, (_, i) =>
        shop.send('post', '/api/tickets', newTicketBody(), i % 2 ? shop.person : shop.other),
      ),
    );
    const numbers = answers.map((a) => (a.body as Dossier).ticket.number);
    expect(new Set(numbers).size).toBe(24);
  });

  it('several saws come on one visit, and only on their own customer’s', async () => {
    const first = await open(newTicketBody());
    const { arrival } = first.ticket;
    const second = await open({ ...body(of('buck')), arrival, customer: { id: first.customer.id } });
    expect(second.cameWith.map((t) => t.id)).toEqual([first.ticket.id]);
    const stranger = await shop.send('post', '/api/tickets', { ...newTicketBody(), arrival });
    expect(stranger.status).toBe(404);
  });

  it('work that was written down as a job, before every family was planned, is told as it was', async () => {
    const { ticket } = await open(body(of('band-narrow')));
    const done = { stage: 'handover', workDone: 'Two strokes a gullet.', minutesTaken: 40, workedBy: shop.other };
    await shop.db.models.Ticket.update(done as object, { where: { id: ticket.id } });
    const kept = (await shop.send('get', `/api/tickets/${ticket.id}`)).body as Dossier;
    expect([kept.ticket.workDone, kept.plan]).toEqual(['Two strokes a gullet.', null]);
    expect((await shop.send('get', `/api/tickets/${ticket.id}/report.pdf`)).status).toBe(200);
    expect(((await shop.send('get', '/api/counter')).body as CounterBook).pace.saws).toBe(0);
  });

  it('the vise’s own marks make a pace too, the telephone left out', async () => {
    const { plan, ticket } = await ticketAt(shop, 'bench');
    const steps = plan?.order.steps ?? [];
    const walk = steps.flatMap((step) => step.stops.map(() => step.minutes / step.stops.length));
    let clock = Date.UTC(2031, 0, 6, 9);
    const events = walk.slice(0, 30).map((minutes, stop) => {
      clock += 1.5 * minutes * 60_000 + (stop === 12 ? 3_600_000 : 0);
      return {
        id: crypto.randomUUID(),
        stop,
        action: 'done',
        at: new Date(clock).toISOString(),
      };
    });
    const answer = await shop.send('post', `/api/tickets/${ticket.id}/bench`, { planId: plan?.id, events });
    expect(answer.status).toBe(200);
    const { pace } = (await shop.send('get', '/api/counter')).body as CounterBook;
    expect(pace.factor).toBeCloseTo(1.5, 1);
  });

  it('a quote that the customer declines ends the ticket, and says who did and why; taken up again it goes on', async () => {
    const { ticket } = await open(body(of('frame')));
    const at = `/api/tickets/${ticket.id}/end`;
    const change = {
      ...{ key: crypto.randomUUID(), version: ticket.version, ending: 'cancelled', by: 'customer' },
      ...{ reason: 'Too dear for an old frame.', tried: '', fee: null },
    };
    expect((await shop.send('post', at, { ...change, by: 'nobody' })).status).toBe(400);
    expect((await shop.send('post', at, { ...change, ending: 'given-up' })).body).toEqual(
      jasmine.objectContaining({ code: 'bad-input' }),
    );
    const ended = (await shop.send('post', at, change)).body as Dossier;
    expect([ended.ticket.stage, ended.ticket.endedAs, ended.ticket.endedFrom, ended.ticket.overrideReason]).toEqual([
      'declined',
      'cancelled',
      'measure',
      'Called off by the customer: Too dear for an old frame.',
    ]);
    expect((await shop.send('post', at, change)).status).toBe(409);
    const again = { version: ended.ticket.version, reason: 'They thought it over.' };
    const goesOn = (await shop.send('post', `/api/tickets/${ticket.id}/reopen`, again)).body as Dossier;
    expect([goesOn.ticket.stage, goesOn.ticket.endedAs, goesOn.ticket.closedAt]).toEqual(['measure', null, null]);
    expect(goesOn.ticket.overrideReason).toContain('Goes on: They thought it over.');
  });

  it('the same saw coming back is found by owner, size and stamp, with what was said then', async () => {
    const tenon: Saw = { ...(newTicketBody().saw as Saw), name: 'Tenon saw', marksOnIt: 'TÖLLER 1911' } as Saw;
    const first = await open(body(tenon, { overrideReason: 'no time' }, { decision: 'decline' }));
    const told = new URLSearchParams({
      family: 'back',
      name: 'old tenon',
      marksOnIt: 'toller',
      toothLineMm: '61',
      pitchMm: String(25.4 / 14),
      plateThicknessMm: '0.5',
      plateDepthHeelMm: '43',
    });
    const found = (await shop.send('get', `/api/saws/alike?${told.toString()}`)).body as AlikeSaw[];
    expect(found[0]).toEqual(
      jasmine.objectContaining({ id: first.saw.id, lastComplaint: 'dull', lastRefusal: jasmine.any(String) }),
    );
    expect(found[0]?.agrees).toContain('marks');
    told.set('marksOnIt', '');
    expect(
      ((await shop.send('get', `/api/saws/alike?${told.toString()}`)).body as AlikeSaw[]).map((s) => s.id),
    ).not.toContain(first.saw.id);
    told.set('customerId', String(first.customer.id));
    expect(((await shop.send('get', `/api/saws/alike?${told.toString()}`)).body as AlikeSaw[])[0]?.id).toBe(
      first.saw.id,
    );
    expect((await shop.send('get', '/api/saws/alike?family=chain')).status).toBe(400);
    const known = (await shop.send('get', `/api/customers/${first.customer.id}/saws`)).body as KnownSaw[];
    expect(known[0]?.customer).toBe('Wren Ashby');
  });

  it('a tag’s number finds its ticket', async () => {
    const { ticket } = await open(body(of('one-man')));
    expect((await shop.send('get', `/api/tickets/numbered/${ticket.number}`)).body).toEqual({
      id: ticket.id,
      stage: 'measure',
      family: 'crosscut',
    });
    expect(((await shop.send('get', '/api/tickets/numbered/999999')).body as { detail: string }).detail).toBe(
      'There is no ticket no. 999999.',
    );
  });

  it('where a line begins in its pattern is told at the counter, and put right on the ticket before the work', async () => {
    const { saw, ticket } = await open(body({ ...of('two-man'), patternOffset: 2 } as Saw));
    expect(saw).toEqual(jasmine.objectContaining({ pattern: 'CCCCR', patternOffset: 2 }));
    const { complaint, promisedOn } = ticket;
    const at = `/api/tickets/${ticket.id}`;
    const edit = (version: number, patternOffset: number) =>
      shop.send('patch', at, { version, complaint, promisedOn, patternOffset });
    const refused = await edit(ticket.version, 5);
    expect([refused.status, (refused.body as { errors: { path: string }[] }).errors[0]?.path]).toEqual([
      400,
      '/patternOffset',
    ]);
    const put = (await edit(ticket.version, 4)).body as Dossier;
    expect([put.saw, put.ticket.version]).toEqual([jasmine.objectContaining({ patternOffset: 4 }), ticket.version + 1]);
    const plain = (await open(body(of('band-narrow')))).ticket;
    const none = await shop.send('patch', `/api/tickets/${plain.id}`, {
      version: plain.version,
      complaint: plain.complaint,
      promisedOn: plain.promisedOn,
      patternOffset: 1,
    });
    expect((none.body as { detail: string }).detail).toBe('This saw has no pattern of cutters and rakers.');
  });
});
