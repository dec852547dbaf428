import { USUAL_PLACE_KEEPING } from '@odontis/core/work/place-keeping';
import { NOTHING_LEARNED } from '@odontis/core/learn/learned';
import type { Dossier } from '@odontis/contract/dossier';
import { Problem } from '../../http/problem';
import { hollowReadings, lineBody, newTicketBody, openTestShop } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';
import { FIRST_BOOK } from '../shop/service';
import { readDossier } from '../tickets/dossier';
import { hasLine } from './has-line';
import { keptOrder } from './kept-order';
import { orderOf } from './order-of';
import { lineIsRead, orderKept } from './saw-work';

describe('a long line', () => {
  const TEETH = 900;
  let shop: TestShop;
  let long: Dossier;
  beforeAll(async () => {
    shop = await openTestShop();
    const opened = (await shop.send('post', '/api/tickets', newTicketBody())).body as Dossier;
    const teeth = hollowReadings(TEETH).map((one) => ({ ...one, note: one.tooth === 7 ? 'Wren’s nail' : null }));
    const readings = lineBody('before', teeth);
    expect((await shop.send('post', `/api/tickets/${opened.ticket.id}/evidence`, readings)).status).toBe(201);
    long = await readDossier(shop.db, opened.ticket.id);
  });
  afterAll(() => shop.close());
  const choice = (depthMm: number) => ({
    ...{ version: 1, depthMm, line: 'free' as const, rakeDeg: 0, fleamDeg: 0, convert: false, sample: true },
  });
  const of = (depthMm: number) => ({
    dossier: long,
    book: FIRST_BOOK,
    calibrations: [],
    place: USUAL_PLACE_KEEPING,
    choice: choice(depthMm),
    learned: NOTHING_LEARNED,
  });

  it('is worked out beside the server’s loop, which goes on turning meanwhile, to the same order', async () => {
    let turns = 0;
    const turning = setInterval(() => turns++, 5);
    const order = await orderKept(of(0.1));
    clearInterval(turning);
    expect(turns).toBeGreaterThan(10);
    // As it is kept, which is as JSON.
    expect(JSON.stringify(order)).toBe(JSON.stringify(keptOrder(orderOf(of(0.1)))));
    expect(order.stops).toBeGreaterThan(TEETH);
    // Frozen for good, it holds no words of anybody's.
    expect(JSON.stringify(long)).toContain('Wren’s nail');
    expect(JSON.stringify(order)).not.toContain('nail');
    expect([await lineIsRead(long), hasLine(long)]).toEqual([true, true]);
    expect(await lineIsRead({ ...long, sessions: [] })).toBeFalse();
  });

  it('what it is refused for is said as anywhere', async () => {
    const refused = await orderKept(of(500)).catch((error: unknown) => error);
    expect(refused).toBeInstanceOf(Problem);
    const { code, detail, errors } = refused as Problem;
    expect([code, detail]).toEqual(['bad-input', 'That is deeper than these teeth can be jointed.']);
    expect(errors[0]?.message).toMatch(/^At most \d+\.\d+ mm on this saw\.$/);
  });
});
