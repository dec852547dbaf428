import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import type { Dossier } from '@odontis/contract/dossier';
import type { LabelPrinter, OutboxMessage } from '@odontis/contract/notes';
import type { TestShop } from '../../testing/test-shop';
import { newTicketBody, openTestShop, ticketAt } from '../../testing/test-shop';

const PLACE = { IFD3: { GPSLatitude: '54/1 32/1 0/1', GPSLatitudeRef: 'N' } };

describe('beside a ticket', () => {
  let shop: TestShop;
  beforeAll(async () => (shop = await openTestShop()));
  afterAll(() => shop.close());

  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#665' } });
  const add = (id: number, jpeg: Buffer) =>
    shop.send('post', `/api/tickets/${id}/photographs`, {
      key: randomUUID(),
      caption: 'the toe',
      jpeg: jpeg.toString('base64'),
    });

  it('a photograph is kept small and without its place, whoever sent it', async () => {
    const { ticket } = await ticketAt(shop, 'measure');
    const placed = await picture(2000, 900).withExif(PLACE).jpeg().toBuffer();
    expect((await sharp(placed).metadata()).exif).toBeDefined();
    const answer = await add(ticket.id, placed);
    expect(answer.status).toBe(201);
    const [kept] = (answer.body as Dossier).photographs;
    expect(kept).toEqual(
      jasmine.objectContaining({ caption: 'the toe', widthPx: 1600, heightPx: 720, by: 'First Hand' }),
    );
    const bytes = (await shop.send('get', `/api/photographs/${kept?.id}.jpg`)).body as Buffer;
    const read = await sharp(bytes).metadata();
    expect([read.format, read.width, read.exif]).toEqual(['jpeg', 1600, undefined] as never);
    expect(bytes.includes(Buffer.from('GPS'))).toBeFalse();
    const gone = await shop.send('delete', `/api/tickets/${ticket.id}/photographs/${kept?.id}`);
    expect((gone.body as Dossier).photographs).toEqual([]);
    expect((await shop.send('get', `/api/photographs/${kept?.id}.jpg`)).status).toBe(404);
  });

  it('text named .jpg, half a picture and eighty million pixels are refused with a sentence, and nothing is kept', async () => {
    const { ticket } = await ticketAt(shop, 'measure');
    const text = Buffer.from('x'.repeat(400));
    const half = (await picture(800, 800).jpeg().toBuffer()).subarray(0, 300);
    const drawn = Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="900"><rect width="900" height="900" fill="red"/></svg>`,
    );
    const wide = await picture(10_000, 8_000).png({ compressionLevel: 9 }).toBuffer();
    for (const bytes of [text, half, wide, drawn]) {
      const answer = await add(ticket.id, bytes);
      expect(answer.status).toBe(400);
      expect((answer.body as { detail: string }).detail).toMatch(/no photograph that can be read/);
    }
    expect(await shop.db.models.Photograph.count({ where: { ticketId: ticket.id } })).toBe(0);
  });

  it('notes go to the outbox: a question makes the ticket wait, ready is said only of what is ready', async () => {
    const { ticket } = await ticketAt(shop, 'measure');
    const at = `/api/tickets/${ticket.id}/messages`;
    const note = {
      key: randomUUID(),
      kind: 'question',
      sentTo: '0555 1',
      body: 'May the toe be shortened? <b>& "quotes" — да</b>',
    };
    expect((await shop.send('post', at, { ...note, kind: 'ready' })).status).toBe(409);
    expect((await shop.send('post', at, { ...note, sentTo: ' ' })).status).toBe(400);
    const asked = (await shop.send('post', at, note)).body as Dossier;
    expect([asked.ticket.waitsFor, asked.ticket.waitsNote, asked.messages[0]?.body]).toEqual([
      'customer',
      note.body,
      note.body,
    ]);
    const outbox = (await shop.send('get', '/api/outbox')).body as OutboxMessage[];
    expect(outbox[0]).toEqual(
      jasmine.objectContaining({ state: 'waiting', customer: 'Wren Ashby', number: ticket.number }),
    );
    const carried = (await shop.send('post', '/api/outbox/carry', {})).body as OutboxMessage[];
    expect([carried[0]?.state, carried[0]?.sentAt]).toEqual(['sent', jasmine.any(String)] as never);
    expect(await shop.db.models.Message.count()).toBe(1);
  });

  it('the label printer prints a job whole or not at all, and runs out', async () => {
    const one = { ...newTicketBody(), customer: { name: '<script>alert(1)</script> & Söhne', phone: '', email: '' } };
    const { ticket } = (await shop.send('post', '/api/tickets', one)).body as Dossier;
    const printed = (await shop.send('post', '/api/labels', { key: randomUUID(), tickets: [ticket.id] }))
      .body as LabelPrinter;
    expect(printed.labelsLeft).toBe(199);
    const drawing = printed.printed[0]?.drawing ?? '';
    expect(drawing).toContain(String(ticket.number));
    expect(drawing).not.toContain('<script');
    expect(drawing).toContain('width="62mm" height="29mm"');
    await shop.db.sequelize.query('UPDATE label_roll SET labels_left = 1');
    const empty = await shop.send('post', '/api/labels', { key: randomUUID(), tickets: [ticket.id, ticket.id] });
    expect([(empty.body as { code: string }).code, empty.status]).toEqual(['printer-empty', 409]);
    expect(((await shop.send('get', '/api/labels')).body as LabelPrinter).printed.length).toBe(1);
    expect(((await shop.send('post', '/api/labels/roll', {})).body as LabelPrinter).labelsLeft).toBe(200);
    expect((await shop.send('post', '/api/labels', { key: randomUUID(), tickets: [999_999] })).status).toBe(404);
  });

  it('what shows or names a person goes with them when they are forgotten, and comes along when it is asked for', async () => {
    const wanted = { ...newTicketBody({ hardened: 'yes' }), decision: 'decline' };
    const { ticket, customer } = (await shop.send('post', '/api/tickets', wanted)).body as Dossier;
    await add(ticket.id, await picture(300, 200).jpeg().toBuffer());
    await shop.send('post', `/api/tickets/${ticket.id}/messages`, {
      key: randomUUID(),
      kind: 'refusal',
      sentTo: 'x@y',
      body: 'Sorry.',
    });
    await shop.send('post', '/api/labels', { key: randomUUID(), tickets: [ticket.id] });
    const all = (await shop.send('get', `/api/customers/${customer.id}/everything.json`)).body as {
      messages: object[];
      photographs: { jpeg: string }[];
    };
    expect([all.messages.length, all.photographs.length]).toEqual([1, 1]);
    expect((await sharp(Buffer.from(all.photographs[0]?.jpeg ?? '', 'base64')).metadata()).width).toBe(300);
    expect((await shop.send('post', `/api/customers/${customer.id}/forget`, { version: 1 })).status).toBe(200);
    const { photographs, messages } = (await shop.send('get', `/api/tickets/${ticket.id}`)).body as Dossier;
    expect([photographs, messages]).toEqual([[], []]);
    const labels = (await shop.send('get', '/api/labels')).body as LabelPrinter;
    expect(labels.printed.some((l) => l.ticketId === ticket.id)).toBeFalse();
  });

  it('what is sent again after a lost answer, even at once, is made once: notes, photographs, labels, people', async () => {
    const { ticket } = await ticketAt(shop, 'measure');
    const at = `/api/tickets/${ticket.id}`;
    const jpeg = (await picture(300, 200).jpeg().toBuffer()).toString('base64');
    const made: [string, object, () => Promise<number>][] = [
      [
        `${at}/messages`,
        { kind: 'question', sentTo: '0555 1', body: 'Once?' },
        () => shop.db.models.Message.count({ where: { ticketId: ticket.id } }),
      ],
      [
        `${at}/photographs`,
        { caption: '', jpeg },
        () => shop.db.models.Photograph.count({ where: { ticketId: ticket.id } }),
      ],
      [
        '/api/labels',
        { tickets: [ticket.id] },
        async () => 200 - ((await shop.send('get', '/api/labels')).body as LabelPrinter).labelsLeft,
      ],
      [
        '/api/people',
        { name: 'Third Hand', initials: 'TH', role: 'filer' },
        () => shop.db.models.Person.count({ where: { initials: 'TH', role: 'filer' } }),
      ],
    ];
    await shop.send('post', '/api/labels/roll', {});
    for (const [path, body, count] of made) {
      const sent = { ...body, key: randomUUID() };
      const answers = await Promise.all([1, 2, 3].map(() => shop.send('post', path, sent)));
      expect(new Set(answers.map((answer) => answer.status)))
        .withContext(path)
        .toEqual(new Set([201]));
      await shop.send('post', path, sent);
      expect(await count())
        .withContext(path)
        .toBe(1);
      expect((await shop.send('post', path, body)).status)
        .withContext(`${path} without a key`)
        .toBe(400);
    }
    const cards = { text: 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Card Atonce\r\nEND:VCARD' };
    await Promise.all([1, 2, 3].map(() => shop.send('post', '/api/customers/cards', cards)));
    expect(await shop.db.models.Customer.count({ where: { name: 'Card Atonce' } })).toBe(1);
  });
});
