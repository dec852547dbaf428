import { wholeMinutes } from '@odontis/core/work/step';
import { randomUUID } from 'node:crypto';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { Dossier } from '@odontis/contract/dossier';
import sharp from 'sharp';
import type { LabelPrinter } from '@odontis/contract/notes';
import { findStrips } from '@odontis/core/photograph/find-strips';
import { seeCodes } from '@odontis/core/photograph/see-codes';
import { codesIn, PDF_DOTS_PER_INCH, pictureOfPdf } from '../../testing/read-codes';
import { hollowReadings, newTicketBody, openTestShop, ticketAt } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';
import { heightLanes, loadLanes } from './line-picture';
import { pt, rulerSvg } from './print';
import { tagCode } from '@odontis/contract/tag-code';
import { FIRST_BOOK } from '../shop/service';
import { shopCard } from './shop-card';
import { TAG_MM } from './tag';

describe('what is printed', () => {
  let shop: TestShop;
  let dossier: Dossier;
  beforeAll(async () => {
    shop = await openTestShop();
    dossier = await ticketAt(shop, 'bench');
  });
  afterAll(() => shop.close());

  const open = async (paper: string) => {
    const answer = await shop.send('get', `/api/tickets/${dossier.ticket.id}/${paper}.pdf`);
    const document = await getDocument({ data: new Uint8Array(answer.body as Buffer), verbosity: 0 }).promise;
    const page = await document.getPage(1);
    const words = (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join('');
    return { page, words: words.replace(/\s+/g, ''), pages: document.numPages };
  };

  it('the tag is true to size: 90 by 50 mm on one page, with its number', async () => {
    const { page, words, pages } = await open('tag');
    const [, , width, height] = page.view as [number, number, number, number];
    // 72 points to the inch of 25.4 mm.
    expect((width / 72) * 25.4).toBeCloseTo(TAG_MM.width, 1);
    expect((height / 72) * 25.4).toBeCloseTo(TAG_MM.height, 1);
    expect(pages).toBe(1);
    expect(words).toContain(String(dossier.ticket.number));
    expect(words).toContain('WrenAshby');
    expect(tagCode(7)).toBe('odontis-ticket-7');
  });

  it('the measuring sheet is true to size: its own dots and codes, seen in the print, stand as far apart as they should', async () => {
    for (const [query, paper, widthMm] of [
      ['paper=a4', 'a4', 297],
      ['paper=letter&sheet=2', 'letter', 279.4],
      ['kind=short', 'short', 297],
      ['kind=round&diameter=184&sheet=2', 'round 184', 297],
    ] as const) {
      const answer = await shop.send('get', `/api/measuring-sheet.pdf?${query}`);
      expect(answer.status).toBe(200);
      const { data, info } = await sharp(await pictureOfPdf(answer.body as Buffer))
        .greyscale()
        .raw()
        .toBuffer({ resolveWithObject: true });
      const picture = { widthPx: info.width, heightPx: info.height, grey: new Uint8Array(data) };
      const mmPerPx = 25.4 / PDF_DOTS_PER_INCH;
      expect(picture.widthPx * mmPerPx).toBeCloseTo(widthMm, 0);
      const strips = findStrips(picture, await seeCodes(picture), (place) => place);
      expect(new Set(strips.map(({ strip }) => strip.paper))).toEqual(new Set([paper]));
      expect(strips.length).toBe(query.includes('round') ? 1 : 4);
      for (const { strip, dots, printed } of strips) {
        expect(dots.length).withContext(`${query}: ${strip.name.place} ${strip.name.number}`).toBe(strip.dots.length);
        const [first, last] = [dots[0], dots[dots.length - 1]];
        const [a, b] = [printed[0] ?? [0, 0], printed[printed.length - 1] ?? [0, 0]];
        const apart = Math.hypot((last?.at[0] ?? 0) - (first?.at[0] ?? 0), (last?.at[1] ?? 0) - (first?.at[1] ?? 0));
        expect(Math.abs(apart * mmPerPx - Math.hypot(b[0] - a[0], b[1] - a[1]))).toBeLessThan(0.03);
      }
    }
    const wrong = await shop.send('get', '/api/measuring-sheet.pdf?sheet=9');
    expect([wrong.status, JSON.stringify(wrong.body)]).toEqual([400, jasmine.stringContaining('from 1 to 3')]);
    for (const [query, says] of [
      ['kind=round', 'diameter'],
      ['kind=round&diameter=20', '80 to 650'],
      ['kind=round&diameter=184&sheet=3', 'from 1 to 2'],
    ]) {
      const refused = await shop.send('get', `/api/measuring-sheet.pdf?${query}`);
      expect([refused.status, JSON.stringify(refused.body)]).toEqual([400, jasmine.stringContaining(says as string)]);
    }
  });

  it('bench aids are true to size: a card’s own edges, read out of the print, stand as far apart as they should', async () => {
    for (const paper of ['a4', 'letter']) {
      const answer = await shop.send('get', `/api/tickets/${dossier.ticket.id}/aids.pdf?paper=${paper}`);
      expect(answer.status).toBe(200);
      const { data, info } = await sharp(await pictureOfPdf(answer.body as Buffer))
        .greyscale()
        .raw()
        .toBuffer({ resolveWithObject: true });
      const pxPerMm = PDF_DOTS_PER_INCH / 25.4;
      /** Middles of the dark lines met on the way from one place to another, mm. */
      const lines = (from: number, to: number, at: (k: number) => number): number[] => {
        const found: { sum: number; weight: number; last: number }[] = [];
        for (let k = Math.round(from * pxPerMm); k < to * pxPerMm; k++) {
          const ink = 255 - (data[at(k)] ?? 255);
          if (ink < 25) continue;
          const last = found[found.length - 1];
          if (last && k - last.last < 2)
            Object.assign(last, { sum: last.sum + ink * (k + 0.5), weight: last.weight + ink, last: k });
          else found.push({ sum: ink * (k + 0.5), weight: ink, last: k });
        }
        return found.map(({ sum, weight }) => sum / weight / pxPerMm);
      };
      const row = Math.round((8 + 24 + 66) * pxPerMm);
      const across = lines(6, 170, (k) => row * info.width + k);
      expect(Math.abs((across.at(-1) ?? 0) - (across[0] ?? 0) - 150)).toBeLessThan(0.1);
      const column = Math.round(12 * pxPerMm);
      const down = lines(28, 110, (k) => k * info.width + column);
      expect(Math.abs((down.at(-1) ?? 0) - (down[0] ?? 0) - 70)).toBeLessThan(0.1);
    }
    const { words, pages } = await open('aids');
    expect(pages).toBe(2);
    expect(words).toContain('Fleamcard');
    expect((await shop.send('get', `/api/tickets/${dossier.ticket.id}/aids.pdf?paper=a9`)).status).toBe(400);
  });

  it('is made beside the server’s loop, which goes on turning meanwhile', async () => {
    // The longest time the loop stood still, beside what all of it took: before, nearly the same.
    let [last, longest] = [performance.now(), 0];
    const begun = last;
    const turning = setInterval(() => {
      const now = performance.now();
      longest = Math.max(longest, now - last);
      last = now;
    }, 2);
    const at = `/api/tickets/${dossier.ticket.id}`;
    const answers = await Promise.all(
      ['tag', 'quote', 'report', 'report'].map((paper) => shop.send('get', `${at}/${paper}.pdf`)),
    );
    const took = performance.now() - begun;
    longest = Math.max(longest, performance.now() - last);
    clearInterval(turning);
    expect(answers.map((answer) => answer.status)).toEqual([200, 200, 200, 200]);
    expect(longest / took).toBeLessThan(0.3);
  });

  it('its ruler has a tick every mm and its ends as far apart as it says', () => {
    const svg = rulerSvg(50);
    const places = [...svg.matchAll(/x1="(\d+)"/g)].map((m) => Number(m[1]));
    expect(places).toEqual(Array.from({ length: 51 }, (_, i) => i));
    expect(pt(25.4)).toBeCloseTo(72, 12);
  });

  it('the report speaks as the shop does', async () => {
    // Of a plan that nobody has worked at the report says so, and tells nothing it would come to.
    const planned = (await open('report')).words;
    expect(planned).toContain('Stillopen');
    for (const never of ['sharethecut', 'Theteetharesharp', 'Nextvisit', 'Takenofftheline'])
      expect(planned).not.toContain(never);
    const stops = dossier.plan?.order.steps.reduce((sum, step) => sum + step.stops.length, 0) ?? 0;
    const events = Array.from({ length: stops }, (_, stop) => ({
      ...{ id: randomUUID(), stop, action: 'done', at: new Date().toISOString() },
    }));
    await shop.send('post', `/api/tickets/${dossier.ticket.id}/bench`, { planId: dossier.plan?.id, events });
    const inThou = (await open('report')).words;
    expect(inThou).toContain('Theteetharesharp');
    expect(inThou).not.toContain('Nextvisit');
    expect(inThou).toContain('3.9thou');
    expect(inThou).toMatch(/sharethecut.*,inakerf[\d.]+inwide/);
    expect(inThou).toMatch(/drawn\d+timesaslarge,bothalike/);
    const { version, book } = (await shop.send('get', '/api/shop')).body as { version: number; book: object };
    await shop.send('put', '/api/shop', { version, book: { ...book, lengthUnit: 'mm', pointConvention: 'teeth' } });
    const inMm = (await open('report')).words;
    expect(inMm).toContain('0.100mm');
    expect(inMm).toContain('14teethtotheinch');
  });

  it('the shop’s own card has every step with its time, the load on every tooth and both kerfs; before a plan it says so', async () => {
    const { words, pages } = await open('card');
    expect(pages).toBe(1);
    const order = dossier.plan?.order;
    // The printer writes into what it is given: one box for all rows would be printed once.
    const { content } = shopCard(dossier, FIRST_BOOK);
    const rows = (content as { table?: { body: unknown[][] } }[]).find((one) => one.table)?.table?.body ?? [];
    expect([rows.length, new Set(rows.map(([first]) => first)).size]).toEqual([
      order?.steps.length ?? NaN,
      order?.steps.length ?? NaN,
    ]);
    const minutes = wholeMinutes(order?.steps ?? []);
    for (const whole of minutes) expect(words).toContain(`${whole}min`);
    // What stands in the rows adds up to what stands over them.
    expect(words).toContain(`About${minutes.reduce((sum, n) => sum + n, 0)}minutes.`);
    expect(words).toMatch(/Loadoneverytooth,heeltotoe:before/);
    expect(words).toMatch(/drawn\d+timesaslarge,bothalike/);
    for (const caution of order?.steps.flatMap((step) => step.cautions) ?? [])
      expect(words).toContain(caution.replace(/\s+/g, ''));
    const waiting = await ticketAt(shop, 'measure');
    const answer = await shop.send('get', `/api/tickets/${waiting.ticket.id}/card.pdf`);
    const bare = await getDocument({ data: new Uint8Array(answer.body as Buffer), verbosity: 0 }).promise;
    const said = (await (await bare.getPage(1)).getTextContent()).items.map((item) => ('str' in item ? item.str : ''));
    expect(said.join('').replace(/\s+/g, '')).toContain('Nothingisplannedyet.');
  });

  it('the load’s lanes have a stroke a tooth on one scale, the greatest the full lane', () => {
    const svg = loadLanes({ before: Float64Array.of(0.1, 0.4, 0, 0.1), after: Float64Array.of(0.1, 0.1, 0.1, 0.1) });
    const high = [...svg.matchAll(/y1="(\d+)" x2="[\d.]+" y2="([\d.]+)" stroke="#3b3f8f"/g)].map(
      (m) => Number(m[1]) - Number(m[2]),
    );
    expect(high.length).toBe(8);
    expect(high[1]).toBe(Math.max(...high));
    high.slice(4).forEach((mm) => expect(mm / (high[1] ?? NaN)).toBeCloseTo(0.25, 2));
    expect(high[2]).toBe(0);
  });

  it('the picture of the line has a stroke a tooth, the tallest the full lane', () => {
    const readings = hollowReadings(12);
    const { svg, rangeMm } = heightLanes([
      { name: 'Before', readings },
      { name: 'After', readings: readings.map((r) => ({ ...r, yMm: 0 })) },
    ]);
    expect([...svg.matchAll(/stroke-width="0.8"/g)].length).toBe(24);
    const ys = readings.map((r) => r.yMm);
    expect(rangeMm).toBeCloseTo(Math.max(...ys) - Math.min(...ys), 12);
  });

  it('a sheet holds ten tags true to size, and may begin after places that were cut out', async () => {
    const ids: number[] = [];
    for (let i = 0; i < 12; i++) ids.push((await ticketAt(shop, 'measure')).ticket.id);
    const sheet = async (query: string) => {
      const answer = await shop.send('get', `/api/tags.pdf?tickets=${query}`);
      return getDocument({ data: new Uint8Array(answer.body as Buffer), verbosity: 0 }).promise;
    };
    const document = await sheet(ids.join(','));
    expect(document.numPages).toBe(2);
    const page = await document.getPage(1);
    const numbers = (await page.getTextContent()).items.flatMap((item) =>
      'str' in item && /^\d{4}$/.test(item.str)
        ? [{ x: item.transform[4] as number, y: item.transform[5] as number }]
        : [],
    );
    expect(numbers.length).toBe(10);
    const mm = (points: number): number => (points / 72) * 25.4;
    const [first, beside, below] = numbers as [
      { x: number; y: number },
      { x: number; y: number },
      { x: number; y: number },
    ];
    expect(mm(beside.x - first.x)).toBeCloseTo(TAG_MM.width, 1);
    expect(mm(first.y - below.y)).toBeCloseTo(TAG_MM.height, 1);
    expect((await sheet(`${ids.slice(0, 10).join(',')}&skip=1`)).numPages).toBe(2);
    for (const query of ['', 'x', '1,', `${ids[0]}&skip=10`])
      expect((await shop.send('get', `/api/tags.pdf?tickets=${query}`)).status)
        .withContext(query)
        .toBe(400);
    expect((await shop.send('get', '/api/tags.pdf?tickets=999999')).status).toBe(404);
  });

  it('the code on the tag and on the label is read by a decoder as the ticket’s number', async () => {
    const answer = await shop.send('get', `/api/tickets/${dossier.ticket.id}/tag.pdf`);
    expect(await codesIn(await pictureOfPdf(answer.body as Buffer))).toEqual([tagCode(dossier.ticket.number)]);
    const { printed } = (await shop.send('post', '/api/labels', { key: randomUUID(), tickets: [dossier.ticket.id] }))
      .body as LabelPrinter;
    const label = await sharp(Buffer.from(printed[0]?.drawing ?? ''), { density: 300 })
      .png()
      .toBuffer();
    expect(await codesIn(label)).toEqual([tagCode(dossier.ticket.number)]);
  });

  it('the quote tells every saw of the visit, its range, and what the owner agreed to', async () => {
    const kink = { kind: 'kink' as const, along: 0.5, down: 0.5 };
    const first = (await shop.send('post', '/api/tickets', newTicketBody({ marks: [kink], consents: ['kink-plate'] })))
      .body as Dossier;
    const more = {
      ...newTicketBody({ hardened: 'yes' }),
      decision: 'decline',
      arrival: first.ticket.arrival,
      customer: { id: first.customer.id },
    };
    const second = (await shop.send('post', '/api/tickets', more)).body as Dossier;
    const pdf = await shop.send('get', `/api/tickets/${second.ticket.id}/quote.pdf`);
    const document = await getDocument({ data: new Uint8Array(pdf.body as Buffer), verbosity: 0 }).promise;
    const items = (await (await document.getPage(1)).getTextContent()).items;
    const words = items
      .map((item) => ('str' in item ? item.str : ''))
      .join('')
      .replace(/\s+/g, '');
    for (const told of [
      first.ticket.number,
      second.ticket.number,
      first.prices[0]?.high.toFixed(2),
      'Theownerhasagreed',
      'Declined',
      'Itsteetharehardened',
    ])
      expect(words).toContain(String(told));
  });
});
