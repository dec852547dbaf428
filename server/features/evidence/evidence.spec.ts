import { randomUUID } from 'node:crypto';
import type { Dossier } from '@odontis/contract/dossier';
import { dossier as answered } from '@odontis/contract/dossier';
import { evidenceKept } from '@odontis/contract/evidence';
import type { NewEvidence } from '@odontis/contract/evidence';
import type { AngleFinding } from '@odontis/core/evidence/angle-finding';
import { lineOf } from '@odontis/core/evidence/line-of';
import type { AngleReading, LengthReading, Reading } from '@odontis/core/evidence/reading';
import { alternateLean } from '@odontis/core/evidence/tooth-reading';
import { setOf } from '@odontis/core/evidence/set-of';
import { takeLine, withdrawn } from '@odontis/core/evidence/take';
import { ordinarySaw } from '@odontis/core/saw/ordinary-saws';
import type { TestShop } from '../../testing/test-shop';
import { hollowReadings, lineBody, newTicketBody, openTestShop, soundIntake, ticketAt } from '../../testing/test-shop';

const rakerSaw = {
  ...newTicketBody(),
  saw: { ...ordinarySaw('two-man'), pattern: 'CCR', pitchMm: 15, toothLineMm: 1500 },
  intake: soundIntake({ grain: 'across' }),
};
const taken = { part: null, setAside: false, corrects: null, simulated: false };
const length = (
  quantity: LengthReading['quantity'],
  place: number,
  value: number,
  more: Partial<LengthReading> = {},
): LengthReading => ({ ...taken, key: randomUUID(), quantity, place, value, gauge: 'straight-edge', ...more });
const depth = (place: number, value: number, more: Partial<LengthReading> = {}): LengthReading =>
  length('raker-depth', place, value, more);
const angle = (place: number, value: AngleFinding, more: Partial<AngleReading> = {}): AngleReading => ({
  ...taken,
  key: randomUUID(),
  quantity: 'angles',
  place,
  value,
  gauge: value.way,
  ...more,
});

describe('evidence', () => {
  let shop: TestShop;
  let at = '';
  let session: NewEvidence['session'];
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());
  beforeEach(async () => {
    const opened = await shop.send('post', '/api/tickets', { ...rakerSaw, key: randomUUID() });
    expect(opened.status).toBe(201);
    at = `/api/tickets/${(opened.body as Dossier).ticket.id}`;
    session = { key: randomUUID(), kind: 'before' };
  });
  /** As a screen that has seen everything would send it. */
  const send = async (readings: readonly Reading[], more: Partial<NewEvidence> = {}, by?: number) =>
    shop.send('post', `${at}/evidence`, { session, seen: (await dossier()).seen, readings, ...more }, by);
  const dossier = async (): Promise<Dossier> => answered.parse((await shop.send('get', at)).body);
  const kept = async (): Promise<Dossier['sessions'][number]['readings']> =>
    (await dossier()).sessions[0]?.readings ?? [];

  it('keeps every reading as it was taken, by whom, in order; one sent twice is kept once', async () => {
    const first = depth(3, 0.3);
    await send([first, depth(6, 0.35)]);
    const answer = await send([first, depth(9, 0.4, { gauge: 'indicator', simulated: true })], {}, shop.other);
    expect(answer.status).toBe(201);
    expect(evidenceKept.parse(answer.body).sessions[0]?.readings.map((r) => r.by)).toEqual(['Second Hand']);
    expect((await kept()).map((r) => [r.place, r.value, r.gauge, r.by, r.simulated])).toEqual([
      [3, 0.3, 'straight-edge', 'First Hand', false],
      [6, 0.35, 'straight-edge', 'First Hand', false],
      [9, 0.4, 'indicator', 'Second Hand', true],
    ]);
    expect((await dossier()).seen).toBe(evidenceKept.parse(answer.body).seen);
  });

  it('a session begins with whatever of it arrives first, also when two requests arrive at once', async () => {
    const answers = await Promise.all([send([depth(3, 0.3)]), send([depth(6, 0.3)])]);
    expect(answers.map((a) => a.status)).toEqual([201, 201]);
    const { sessions } = await dossier();
    expect(sessions.map((s) => [s.key, s.kind, s.by, s.readings.length])).toEqual([
      [session.key, 'before', 'First Hand', 2],
    ]);
  });

  it('a correction leaves the old value in the record, and the database lets nobody change one', async () => {
    const wrong = depth(12, 3.5, { setAside: true });
    await send([wrong]);
    await send([depth(12, 0.35, { corrects: wrong.key })]);
    expect((await kept()).map((r) => [r.value, r.setAside, r.corrects])).toEqual([
      [3.5, true, null],
      [0.35, false, wrong.key],
    ]);
    await expectAsync(
      shop.db.sequelize.query(`UPDATE evidence SET value_mm = 1 WHERE key = '${wrong.key}'`),
    ).toBeRejectedWithError(/never changed/);
    const insert = (columns: string, values: string): Promise<unknown> =>
      shop.db.sequelize.query(
        `INSERT INTO evidence (key, session_id, quantity, place, set_aside, taken_by, ${columns})
         SELECT gen_random_uuid(), session_id, ${values} FROM evidence WHERE key = '${wrong.key}'`,
      );
    for (const [columns, values] of [
      ['gauge, value_mm', `'set', 1, false, taken_by, 'guess', 1`],
      ['gauge, value_mm', `'kind', 1, false, taken_by, 'eye', 1`],
      ['gauge, value_word', `'set', 1, false, taken_by, 'eye', 'wide'`],
      ['gauge, value_word', `'lean', 1, false, taken_by, 'eye', 'up'`],
      ['gauge, value_mm', `'set', 1, false, taken_by, 'bevel', 1`],
      ['gauge, value_angles', `'angles', 1, false, taken_by, 'eye', '{"way":"eye","rakeDeg":3}'`],
      ['gauge, value_angles', `'angles', 1, false, taken_by, 'bevel', '{"way":"eye","point":"left"}'`],
      ['gauge, value_mm, value_word', `'set', 1, false, taken_by, 'eye', 1, 'x'`],
    ] as const)
      await expectAsync(insert(columns, values))
        .withContext(values)
        .toBeRejectedWithError(/check constraint/);
  });

  it('all or none: one reading that cannot be on this saw, and nothing of the batch is kept', async () => {
    const bad: [Reading, RegExp][] = [
      [depth(4, 0.3), /not measured at tooth 4/],
      [length('chipper-height', 3, 0.3), /not measured on this saw/],
      [depth(3, 0.3, { part: 'left' }), /not measured on part "left"/],
      [length('thickness', 5000, 2), /lies beyond the saw's 1500 mm/],
      [depth(3, 0.3, { corrects: randomUUID() }), /not in this session/],
      [length('runout', 3, 0.1), /not measured on this saw/],
    ];
    for (const [reading, says] of bad) {
      const answer = await send([depth(15, 0.3), reading]);
      expect(answer.status).toBe(400);
      expect((answer.body as { detail: string }).detail).toMatch(says);
    }
    expect((await send([])).status).toBe(400);
    expect((await send([depth(15, Number.NaN)])).status).toBe(400);
    expect((await dossier()).sessions).toEqual([]);
  });

  it('a closed session stays as it is; what comes late is told, and finds room in another', async () => {
    await send([depth(3, 0.3)]);
    const finish = (note: string) => shop.send('post', `${at}/sessions/${session.key}/finish`, { note });
    const closed = (await finish('by feeler')).body as Dossier;
    expect(closed.sessions[0]).toEqual(jasmine.objectContaining({ note: 'by feeler', by: 'First Hand' }));
    expect(closed.sessions[0]?.finishedAt).not.toBeNull();
    const late = depth(15, 0.3);
    const refused = await send([late]);
    expect([refused.status, (refused.body as { code: string }).code]).toEqual([409, 'session-closed']);
    expect((await send([late], { session: { key: randomUUID(), kind: 'before' } })).status).toBe(201);
    // The answer was lost and the closing is asked for again: it stays as it was.
    expect(((await finish('another')).body as Dossier).sessions[0]?.note).toBe('by feeler');
    expect((await shop.send('post', `${at}/sessions/${randomUUID()}/finish`, { note: '' })).status).toBe(404);
    const stranger = await ticketAt(shop, 'measure');
    const there = await shop.send('post', `/api/tickets/${stranger.ticket.id}/evidence`, {
      session,
      seen: 0,
      readings: [length('height', 1, 0)],
    });
    expect(there.status).toBe(400);
  });

  it('somebody else’s reading at the same place is told before one is added over it; at another place nothing is', async () => {
    const first = await send([depth(3, 0.3)], { seen: 0 });
    const second = await send([depth(6, 0.3)], { seen: 0, session: { key: randomUUID(), kind: 'before' } }, shop.other);
    expect(second.status).toBe(201);
    const over = { seen: 0, session: { key: randomUUID(), kind: 'before' as const } };
    const refused = await send([depth(3, 0.5)], over, shop.other);
    expect([refused.status, (refused.body as { code: string }).code]).toEqual([409, 'edited-elsewhere']);
    const { sessions: current } = answered.parse((refused.body as { current: unknown }).current);
    // The session the refused readings would have begun is none.
    expect(current.map((s) => s.readings.length)).toEqual([1, 1]);
    // Whoever added something is told what others added meanwhile, elsewhere too.
    expect(evidenceKept.parse(second.body).sessions.flatMap((s) => s.readings.map((r) => r.place))).toEqual([3, 6]);
    const { seen } = evidenceKept.parse(second.body);
    expect(seen).toBeGreaterThan(evidenceKept.parse(first.body).seen);
    expect((await send([depth(3, 0.5)], { ...over, seen }, shop.other)).status).toBe(201);
  });

  it('a line is measured when three teeth stand; then it is on to the plan', async () => {
    const { ticket } = await ticketAt(shop, 'measure');
    at = `/api/tickets/${ticket.id}`;
    const done = (version: number) => shop.send('post', `${at}/measured`, { version });
    expect((await done(ticket.version)).status).toBe(422);
    await shop.send('post', `${at}/evidence`, lineBody('before', hollowReadings(3)));
    expect((await done(ticket.version + 5)).status).toBe(409);
    const measured = (await done(ticket.version)).body as Dossier;
    expect([measured.ticket.stage, measured.ticket.version]).toEqual(['plan', ticket.version + 1]);
    // Asked again, as when the answer was lost: nothing more happens.
    expect(((await done(ticket.version + 1)).body as Dossier).ticket.version).toBe(ticket.version + 1);
  });

  it('refuses more readings than a saw can have with a sentence', async () => {
    const answer = await send(Array.from({ length: 100_000 }, () => depth(3, 0.3)));
    expect(answer.status).toBe(413);
  });

  describe('angles among it', () => {
    const seated: AngleFinding = {
      way: 'file',
      section: 'taper',
      rollDeg: 15,
      turnDeg: -25,
      slopeDeg: 0,
      from: 'right',
    };
    beforeEach(async () => (at = `/api/tickets/${(await ticketAt(shop, 'measure')).ticket.id}`));

    it('every way comes back as it was sent, in order', async () => {
      const findings: AngleFinding[] = [
        seated,
        { way: 'bevel', rakeDeg: -15, backDeg: null, turnDeg: 24 },
        { way: 'scan', rakeDeg: -14.5, backDeg: 46 },
        { way: 'eye', point: 'none' },
      ];
      await send(findings.map((f, i) => angle(i + 3, f)));
      expect((await kept()).map((r) => r.value)).toEqual(findings);
    });

    it('a scan may find more teeth than pitch and length foretold; a correction stands at its own tooth', async () => {
      const { saw } = await dossier();
      const foretold = Math.round(saw.toothLineMm / saw.pitchMm) + 1;
      expect((await send([angle(foretold + 3, { way: 'scan', rakeDeg: -14, backDeg: null })])).status).toBe(201);
      const bad: [Reading, RegExp][] = [
        [angle(6000, seated), /between 1 and 5000/],
        [angle(3, seated, { part: 'left' }), /no part .+left/],
        [angle(3, { ...seated, rollDeg: -40 }), /leaves no tooth/],
        [angle(3, { way: 'scan', rakeDeg: null, backDeg: null }), /one angle at least/],
        [angle(3, { ...seated, rollDeg: 95 }), /roll/],
        [angle(3, seated, { gauge: 'eye' }), /what it says it was read with/],
        [angle(3, seated, { corrects: randomUUID() }), /not in this session/],
      ];
      for (const [reading, says] of bad) {
        const answer = await send([angle(7, seated), reading]);
        expect(answer.status).toBe(400);
        expect(JSON.stringify(answer.body)).toMatch(says);
      }
      const aside = angle(8, { ...seated, rollDeg: -40 }, { setAside: true });
      expect((await send([aside])).status).toBe(201);
      expect((await send([angle(9, seated, { corrects: aside.key })])).status).toBe(400);
      expect((await send([angle(8, seated, { corrects: aside.key })])).status).toBe(201);
    });
  });

  it('a set measured again after the work is what the check judges by: the later session, not the first', async () => {
    const { ticket, plan } = await ticketAt(shop, 'bench');
    at = `/api/tickets/${ticket.id}`;
    const events = Array.from({ length: plan?.order.steps.flatMap((s) => s.stops).length ?? 0 }, (_, stop) => ({
      id: randomUUID(),
      stop,
      action: 'done',
      at: new Date().toISOString(),
    }));
    await shop.send('post', `${at}/bench`, { planId: plan?.id, events });
    const sets = (left: number): Reading[] => [1, 3, 5, 2, 4, 6].map((t) => length('set', t, t % 2 ? left : 0.05));
    await send(sets(0.05), { session: { key: randomUUID(), kind: 'after' } });
    await send(sets(0.2), { session: { key: randomUUID(), kind: 'after' } });
    const { sessions, ticket: now } = await dossier();
    expect(setOf(sessions, 'after', alternateLean)?.left.meanMm).toBeCloseTo(0.2, 12);
    const near = (mm: number): unknown => ({ asymmetricMatch: (v: number) => Math.abs(v - mm) < 1e-9 });
    const cut = { version: now.version, runs: 'left', binds: false, chatters: false, note: '' };
    const judged = (await shop.send('post', `${at}/checks`, cut)).body as Dossier;
    expect(judged.checks[0]).toEqual(
      jasmine.objectContaining({ verdict: 'again', setLeftMm: near(0.2), setRightMm: near(0.05) }),
    );
    // What is measured after this cut is another session.
    expect(judged.sessions.filter((s) => s.kind === 'after').every((s) => s.finishedAt !== null)).toBeTrue();
  });

  it('a line corrected, taken back and read again over sessions is one line in every view', async () => {
    const { ticket } = await ticketAt(shop, 'measure');
    at = `/api/tickets/${ticket.id}`;
    const how = { gauge: 'scan', simulated: false, mint: randomUUID } as const;
    const first = takeLine([], { teeth: hollowReadings(10), places: true }, how);
    await send(first);
    const now = hollowReadings(10).map((r) => (r.tooth === 4 ? { ...r, yMm: -0.5 } : r));
    const fix = takeLine(first, { teeth: now, places: true }, how);
    expect(fix.length).toBe(1);
    await send(fix);
    const view = async () => {
      const { sessions, saw } = await dossier();
      return lineOf(sessions, saw, 'before');
    };
    expect((await view())?.teeth[3]?.yMm).toBe(-0.5);
    await send([withdrawn(fix[0] as Reading, randomUUID)]);
    expect((await view())?.heightsRead).toBe(9);
    await shop.send('post', `${at}/evidence`, lineBody('before', hollowReadings(12), { seen: (await dossier()).seen }));
    expect((await view())?.teeth.length).toBe(12);
    expect((await dossier()).sessions.map((s) => s.readings.length)).toEqual([first.length + 2, 12 * 4]);
  });
});
