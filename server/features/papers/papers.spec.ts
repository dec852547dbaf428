import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { Dossier } from '@odontis/contract/dossier';
import { hollowReadings, openTestShop, ticketAt } from '../../testing/test-shop';
import type { TestShop } from '../../testing/test-shop';
import { heightLanes } from './line-picture';
import { pt, rulerSvg } from './print';
import { tagCode } from '@odontis/contract/tag-code';
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

  it('its ruler has a tick every mm and its ends as far apart as it says', () => {
    const svg = rulerSvg(50);
    const places = [...svg.matchAll(/x1="(\d+)"/g)].map((m) => Number(m[1]));
    expect(places).toEqual(Array.from({ length: 51 }, (_, i) => i));
    expect(pt(25.4)).toBeCloseTo(72, 12);
  });

  it('the report speaks as the shop does', async () => {
    const inThou = (await open('report')).words;
    expect(inThou).toContain('3.9thou');
    const { version, book } = (await shop.send('get', '/api/shop')).body as { version: number; book: object };
    await shop.send('put', '/api/shop', { version, book: { ...book, lengthUnit: 'mm', pointConvention: 'teeth' } });
    const inMm = (await open('report')).words;
    expect(inMm).toContain('0.100mm');
    expect(inMm).toContain('14teethtotheinch');
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
});
