import { randomUUID } from 'node:crypto';
import type { Dossier } from '@odontis/contract/dossier';
import type { NewAngle, NewGauged } from '@odontis/contract/gauging';
import type { TestShop } from '../../testing/test-shop';
import { hollowReadings, newTicketBody, openTestShop, soundIntake, ticketAt } from '../../testing/test-shop';

const rakerSaw = {
  ...newTicketBody(),
  saw: {
    name: 'Two-man crosscut',
    family: 'crosscut',
    kind: 'two-man',
    pattern: 'CCR',
    filing: 'crosscut',
    pitchMm: 15,
    toothLineMm: 1500,
    plateThicknessMm: 1.8,
    plateDepthHeelMm: 150,
    plateDepthToeMm: 150,
    marksOnIt: '',
  },
  intake: soundIntake({ grain: 'across' }),
};
const depth = (place: number, valueMm: number, more: Partial<NewGauged> = {}): NewGauged => ({
  key: randomUUID(),
  quantity: 'raker-depth',
  part: null,
  place,
  valueMm,
  gauge: 'straight-edge',
  setAside: false,
  corrects: null,
  ...more,
});

describe('measuring sessions', () => {
  let shop: TestShop;
  let at = '';
  let session = 0;
  beforeAll(async () => {
    shop = await openTestShop();
    const opened = await shop.send('post', '/api/tickets', { ...rakerSaw, key: randomUUID() });
    expect(opened.status).toBe(201);
    at = `/api/tickets/${(opened.body as Dossier).ticket.id}`;
    const key = randomUUID();
    await shop.send('post', `${at}/sessions`, { key, kind: 'before' });
    const again = (await shop.send('post', `${at}/sessions`, { key, kind: 'before' })).body as Dossier;
    expect(again.gaugings.length).toBe(1);
    session = again.gaugings[0]?.id ?? 0;
  });
  afterAll(() => shop.close());
  const add = (readings: NewGauged[], by?: number) =>
    shop.send('post', `${at}/sessions/${session}/readings`, { readings }, by);

  it('keeps every reading as it was taken, by whom, in order; one sent twice is kept once', async () => {
    const first = depth(3, 0.3);
    await add([first, depth(6, 0.35)]);
    const answer = await add([first, depth(9, 0.4, { gauge: 'indicator' })], shop.other);
    expect(answer.status).toBe(201);
    const kept = (answer.body as Dossier).gaugings[0]?.readings ?? [];
    expect(kept.map((r) => [r.place, r.valueMm, r.gauge, r.by])).toEqual([
      [3, 0.3, 'straight-edge', 'First Hand'],
      [6, 0.35, 'straight-edge', 'First Hand'],
      [9, 0.4, 'indicator', 'Second Hand'],
    ]);
  });

  it('a correction leaves the old value in the record, and the database lets nobody change one', async () => {
    const wrong = depth(12, 3.5, { setAside: true });
    await add([wrong]);
    const answer = await add([depth(12, 0.35, { corrects: wrong.key })]);
    const kept = (answer.body as Dossier).gaugings[0]?.readings.filter((r) => r.place === 12) ?? [];
    expect(kept.map((r) => [r.valueMm, r.setAside, r.corrects])).toEqual([
      [3.5, true, null],
      [0.35, false, wrong.key],
    ]);
    await expectAsync(
      shop.db.sequelize.query(`UPDATE gauged SET value_mm = 1 WHERE key = '${wrong.key}'`),
    ).toBeRejectedWithError(/never changed/);
    await expectAsync(
      shop.db.models.Gauged.create({
        ...depth(3, 1),
        gauge: 'guess' as 'eye',
        gaugingId: session,
        takenBy: shop.person,
      }),
    ).toBeRejectedWithError(/gauge/);
  });

  it('all or none: one reading that cannot be on this saw, and nothing of the batch is kept', async () => {
    const count = async (): Promise<number> => shop.db.models.Gauged.count({ where: { gaugingId: session } });
    const before = await count();
    const bad: [NewGauged, RegExp][] = [
      [depth(4, 0.3), /not measured at tooth 4/],
      [depth(3, 0.3, { quantity: 'chipper-height' }), /not measured on this saw/],
      [depth(3, 0.3, { part: 'left' }), /not measured on part "left"/],
      [depth(5000, 2, { quantity: 'thickness' }), /lies beyond the saw's 1500 mm/],
      [depth(3, 0.3, { corrects: randomUUID() }), /not in this session/],
    ];
    for (const [reading, says] of bad) {
      const answer = await add([depth(15, 0.3), reading]);
      expect(answer.status).toBe(400);
      expect((answer.body as { detail: string }).detail).toMatch(says);
    }
    expect((await add([])).status).toBe(400);
    expect((await add([depth(15, Number.NaN)])).status).toBe(400);
    expect(await count()).toBe(before);
  });

  it('a closed session stays as it is; another is a record of its own', async () => {
    const closed = (await shop.send('post', `${at}/sessions/${session}/finish`, { note: 'by feeler' })).body as Dossier;
    expect(closed.gaugings[0]).toEqual(jasmine.objectContaining({ note: 'by feeler', by: 'First Hand' }));
    expect(closed.gaugings[0]?.finishedAt).not.toBeNull();
    const late = await add([depth(15, 0.3)]);
    expect(late.status).toBe(409);
    const next = (await shop.send('post', `${at}/sessions`, { key: randomUUID(), kind: 'after' })).body as Dossier;
    expect(next.gaugings.map((g) => [g.kind, g.readings.length > 0])).toEqual([
      ['before', true],
      ['after', false],
    ]);
    expect((await shop.send('post', `${at}/sessions/${session}/finish`, { note: '' })).status).toBe(409);
    expect((await shop.send('post', `/api/tickets/1/sessions/99999/finish`, { note: '' })).status).toBe(404);
  });
});

describe('angles read in a session', () => {
  let shop: TestShop;
  let at = '';
  beforeAll(async () => {
    shop = await openTestShop();
    const { ticket } = await ticketAt(shop, 'measure');
    const opened = await shop.send('post', `/api/tickets/${ticket.id}/sessions`, { key: randomUUID(), kind: 'before' });
    at = `/api/tickets/${ticket.id}/sessions/${(opened.body as Dossier).gaugings[0]?.id}`;
  });
  afterAll(() => shop.close());
  const seated: NewAngle['finding'] = {
    way: 'file',
    section: 'taper',
    rollDeg: 15,
    turnDeg: -25,
    slopeDeg: 0,
    from: 'right',
  };
  const angle = (tooth: number, finding: NewAngle['finding'], more: Partial<NewAngle> = {}): NewAngle => ({
    key: randomUUID(),
    part: null,
    tooth,
    finding,
    setAside: false,
    corrects: null,
    ...more,
  });
  const add = (readings: NewAngle[], by?: number) => shop.send('post', `${at}/angles`, { readings }, by);

  it('every way comes back as it was sent, by whom, in order; one sent twice is kept once', async () => {
    const first = angle(3, seated);
    await add([first, angle(4, { way: 'bevel', rakeDeg: -15, backDeg: null, turnDeg: 24 })]);
    const answer = await add(
      [first, angle(5, { way: 'scan', rakeDeg: -14.5, backDeg: 46 }), angle(6, { way: 'eye', point: 'none' })],
      shop.other,
    );
    expect(answer.status).toBe(201);
    const kept = (answer.body as Dossier).gaugings[0]?.angles ?? [];
    expect(kept.map((r) => [r.tooth, r.by])).toEqual([
      [3, 'First Hand'],
      [4, 'First Hand'],
      [5, 'Second Hand'],
      [6, 'Second Hand'],
    ]);
    expect(kept.map((r) => r.finding)).toEqual([
      seated,
      { way: 'bevel', rakeDeg: -15, backDeg: null, turnDeg: 24 },
      { way: 'scan', rakeDeg: -14.5, backDeg: 46 },
      { way: 'eye', point: 'none' },
    ]);
  });

  it('a scan may find a few teeth more than pitch and length foretold, before its line is kept', async () => {
    const { saw } = (await shop.send('get', at.replace(/\/sessions.*/, ''))).body as Dossier;
    const foretold = Math.round(saw.toothLineMm / saw.pitchMm) + 1;
    expect((await add([angle(foretold + 3, { way: 'scan', rakeDeg: -14, backDeg: null })])).status).toBe(201);
  });

  it('all or none, with a sentence for what cannot be; a correction stands at its own tooth', async () => {
    const count = (): Promise<number> => shop.db.models.AngleRead.count();
    const before = await count();
    const bad: [NewAngle, RegExp][] = [
      [angle(4000, seated), /no tooth 4000/],
      [angle(3, seated, { part: 'left' }), /no part .+left/],
      [angle(3, { ...seated, rollDeg: -40 }), /leaves no tooth/],
      [angle(3, { way: 'scan', rakeDeg: null, backDeg: null }), /one angle at least/],
      [angle(3, { ...seated, rollDeg: 95 }), /roll/],
      [angle(3, seated, { corrects: randomUUID() }), /not in this session/],
    ];
    for (const [reading, says] of bad) {
      const answer = await add([angle(7, seated), reading]);
      expect(answer.status).toBe(400);
      expect(JSON.stringify(answer.body)).toMatch(says);
    }
    expect(await count()).toBe(before);
    const aside = angle(8, { ...seated, rollDeg: -40 }, { setAside: true });
    expect((await add([aside])).status).toBe(201);
    expect((await add([angle(9, seated, { corrects: aside.key })])).status).toBe(400);
    expect((await add([angle(8, seated, { corrects: aside.key })])).status).toBe(201);
  });

  it('the database keeps each way’s own columns and lets nobody change one', async () => {
    const [row] = await shop.db.models.AngleRead.findAll({ where: { way: 'file' }, limit: 1 });
    await expectAsync(
      shop.db.sequelize.query(`UPDATE angle_read SET turn_deg = 1 WHERE key = '${row?.key}'`),
    ).toBeRejectedWithError(/never changed/);
    await expectAsync(
      shop.db.sequelize.query(
        `INSERT INTO angle_read (key, gauging_id, tooth, way, rake_deg, set_aside, taken_by)
         SELECT gen_random_uuid(), gauging_id, 1, 'eye', 3, false, taken_by FROM angle_read LIMIT 1`,
      ),
    ).toBeRejectedWithError(/check constraint/);
  });
});

describe('a line’s readings over several sittings', () => {
  let shop: TestShop;
  beforeAll(async () => {
    shop = await openTestShop();
  });
  afterAll(() => shop.close());

  it('a correction keeps the old value beside the line; filling in what was empty is none; a new sitting leaves the last alone', async () => {
    const { ticket } = await ticketAt(shop, 'measure');
    const path = `/api/tickets/${ticket.id}/readings/before`;
    const keep = async (change: object): Promise<Dossier> =>
      (await shop.send('put', path, { finish: false, ...change })).body as Dossier;
    const bare = hollowReadings(10).map((r) => ({ ...r, setMm: null }));
    await keep({ version: 0, readings: bare, gauge: 'scan' });
    const filled = await keep({ version: 1, readings: hollowReadings(10), gauge: 'scan' });
    expect(filled.measurings[0]?.was).toEqual([]);
    const corrected = hollowReadings(10).map((r) => (r.tooth === 4 ? { ...r, yMm: -0.5 } : r));
    const after = (await keep({ version: 2, readings: corrected })).measurings[0];
    expect(after?.was.map((w) => [w.tooth, w.by])).toEqual([[4, 'First Hand']]);
    expect(after?.was[0]?.yMm).toBeCloseTo(hollowReadings(10)[3]?.yMm ?? NaN, 9);
    expect([after?.gauge, after?.sitting]).toEqual(['straight-edge', 1]);
    const anew = await keep({ version: 3, readings: hollowReadings(12), anew: true });
    expect(anew.measurings.map((m) => [m.sitting, m.readings.length])).toEqual([
      [2, 12],
      [1, 10],
    ]);
    const stale = await shop.send('put', path, { version: 3, readings: bare, finish: false });
    expect(stale.status).toBe(409);
  });
});
