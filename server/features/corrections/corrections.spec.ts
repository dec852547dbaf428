import { randomUUID } from 'node:crypto';
import type { Dossier } from '@odontis/contract/dossier';
import { dossier as answered } from '@odontis/contract/dossier';
import type { ProblemBody } from '@odontis/contract/problem';
import { lineOf } from '@odontis/core/evidence/line-of';
import type { TestShop } from '../../testing/test-shop';
import { openTestShop, ticketAt } from '../../testing/test-shop';

describe('what is put right later', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  const correct = (dossier: Dossier, saw: object, more: object = {}) =>
    shop.send('post', `/api/tickets/${dossier.ticket.id}/saw`, {
      ...{ key: randomUUID(), version: dossier.ticket.version, why: 'measured again' },
      saw: { ...dossier.saw, id: undefined, ...saw },
      ...more,
    });

  it('a saw’s data are put right at the bench, with what they were; its order stays as it was accepted', async () => {
    const was = await ticketAt(shop, 'bench');
    const answer = await correct(was, { plateThicknessMm: 0.9, name: 'The long one' });
    expect(answer.status).withContext(JSON.stringify(answer.body)).toBe(201);
    const now = answer.body as Dossier;
    expect(now.saw.plateThicknessMm).toBe(0.9);
    expect(now.corrections.map(({ before, after, why, ticket }) => ({ before, after, why, ticket }))).toEqual([
      {
        before: { plateThicknessMm: was.saw.plateThicknessMm, name: was.saw.name },
        after: { plateThicknessMm: 0.9, name: 'The long one' },
        why: 'measured again',
        ticket: was.ticket.number,
      },
    ]);
    expect(now.plan?.order).toEqual(was.plan?.order);
    expect(now.ticket.version).toBe(was.ticket.version + 1);
  });

  it('twice by one key is once; two people at one time: the second is told; nothing that changes nothing', async () => {
    const was = await ticketAt(shop, 'measure');
    const key = randomUUID();
    const first = await correct(was, { plateThicknessMm: 0.95 }, { key });
    expect(((await correct(was, { plateThicknessMm: 0.95 }, { key })).body as Dossier).corrections.length).toBe(1);
    const second = await correct(was, { plateThicknessMm: 1.1 });
    expect((second.body as ProblemBody).code).toBe('edited-elsewhere');
    const same = await correct(first.body as Dossier, {});
    expect([same.status, (same.body as Dossier & ProblemBody).code]).toEqual([400, 'bad-input']);
  });

  it('another family, a saw that cannot be and a correction without a word of why are refused', async () => {
    const was = await ticketAt(shop, 'measure');
    expect((await correct(was, { pitchMm: 400 })).status).toBe(400);
    expect((await correct(was, { plateThicknessMm: 0.8 }, { why: ' ' })).status).toBe(400);
    expect((await correct(was, { family: 'back', backFixing: 'folded' })).status).toBe(400);
    expect(((await shop.send('get', `/api/tickets/${was.ticket.id}`)).body as Dossier).corrections).toEqual([]);
  });

  it('a reading is corrected, then taken out, after its order was accepted: by whom and why, the line follows', async () => {
    const was = answered.parse(await ticketAt(shop, 'bench'));
    const session = was.sessions.at(-1);
    const old = session?.readings.find((r) => r.quantity === 'height' && r.place === 7);
    if (!session || !old || old.quantity !== 'height') throw new Error('no height of tooth 7');
    const { by: _by, at: _at, ...told } = old;
    const send = (readings: object[], why?: string, seen = was.seen) =>
      shop.send('post', `/api/tickets/${was.ticket.id}/evidence`, {
        ...{ session: { key: session.key, kind: session.kind }, seen, readings },
        ...(why !== undefined && { why }),
      });
    const fresh = { ...told, key: randomUUID(), value: old.value - 0.3, corrects: old.key };
    expect((await send([fresh])).status).toBe(409);
    expect((await send([{ ...fresh, corrects: null }], 'one more')).status).toBe(409);
    expect((await send([fresh], 'the gauge had slipped')).status).toBe(201);
    expect((await send([fresh], 'the gauge had slipped')).status).toBe(201);
    const heightOf = (d: Dossier): number | undefined =>
      lineOf(d.sessions, d.saw, 'before')?.teeth.find((tooth) => tooth.tooth === 7)?.yMm ?? undefined;
    const now = answered.parse((await shop.send('get', `/api/tickets/${was.ticket.id}`)).body);
    expect(heightOf(now)).toBeCloseTo((heightOf(was) ?? NaN) - 0.3, 9);
    expect(now.reasons).toEqual([{ key: fresh.key, why: 'the gauge had slipped' }]);
    const out = { ...fresh, key: randomUUID(), corrects: fresh.key, setAside: true };
    expect((await send([out], 'not to be trusted', now.seen)).status).toBe(201);
    // A correction of what was corrected before names the last one, or is refused.
    expect((await send([{ ...fresh, key: randomUUID() }], 'again')).status).toBeGreaterThanOrEqual(400);
    const after = (await shop.send('get', `/api/tickets/${was.ticket.id}`)).body as Dossier;
    expect(after.reasons.length).toBe(2);
    expect(after.plan?.order).toEqual(was.plan?.order);
  });
});
