import type { Browser, BrowserContext, Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { beforeDevice } from '../fixtures/own-media';
import { pdfText } from '../fixtures/pdf-text';
import { codesOnPdf, filmOfPdf, widePicture } from '../fixtures/pictures';
import { test } from '../fixtures/shop';
import { Counter } from '../pages/counter';
import type { Hands } from '../pages/counter';
import { arrive, comeIn, expectAccessible } from '../pages/sound';

let context: BrowserContext;
let page: Page;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  context = await browser.newContext();
  await comeIn(context);
  page = await context.newPage();
});
test.afterAll(async () => {
  await context.close();
});

interface Rack {
  readonly id: number;
  readonly number: number;
  readonly family: string;
  readonly waitsFor: string | null;
}
const rackRow = async (number: number): Promise<Rack | undefined> =>
  ((await (await page.request.get('/api/rack')).json()) as Rack[]).find((row) => row.number === number);

/** Every family once, by these hands: taken, refused, sent on, with the owner's word where it is needed. */
async function takeInAll(browser: Browser, hands: Hands): Promise<void> {
  const own = await browser.newContext({ hasTouch: hands === 'touch' });
  const screen = await own.newPage();
  await arrive(screen, '/counter');
  const counter = new Counter(screen, hands);
  await counter.customer(`Odile Marchetti ${hands}`);

  await counter.button('Crosscut hand saw');
  await counter.choose('Soft: a file bites');
  await counter.mark('Kink');
  await expect(counter.verdict()).toHaveText('Take it, if');
  await counter.button(/^Take it in and hang a tag/);
  await expect(screen.getByText('The owner must agree first')).toBeVisible();
  await counter.tick(/The owner agrees/);
  const first = await counter.takeIn();
  expect((await rackRow(first))?.family).toBe('hand');

  const again = async (saw: string, soft = true): Promise<void> => {
    await counter.another();
    await counter.button(saw);
    if (soft) await counter.choose('Soft: a file bites');
  };
  await again('Tenon saw');
  await counter.choose('hollow');
  await expect(screen.getByRole('heading', { name: 'Full tune', exact: true })).toBeVisible();
  expect((await rackRow(await counter.takeIn()))?.family).toBe('back');

  await again('Two-edged pull saw', false);
  await counter.choose('Hardened');
  await expect(counter.verdict()).toHaveText('Decline');
  await expect(counter.reasons().first()).toContainText('no file cuts them');
  expect(await rackRow(await counter.decline())).toBeUndefined();

  for (const saw of ['One-man crosscut', 'Two-man crosscut', 'Buck saw', 'Frame saw']) {
    await again(saw);
    expect((await rackRow(await counter.takeIn()))?.family).toBe('crosscut');
  }

  await again('Narrow band');
  await expect(screen.getByText('That makes 403 teeth.')).toBeVisible();
  await counter.mark('Crack');
  await expect(counter.verdict()).toHaveText('Decline');
  await counter.button(/^Take it in and hang a tag/);
  await expect(screen.getByText('speak against taking this saw').first()).toBeVisible();
  expect(await rackRow(await counter.decline())).toBeUndefined();

  await again('Rip blade');
  await counter.type('Marked limit', '6,000');
  await counter.mark('Burn');
  await expect(counter.reasons().first()).toContainText('Burnt teeth may have gone soft');
  expect((await rackRow(await counter.takeIn()))?.family).toBe('circular');

  await again('Carbide blade', false);
  await counter.type('Marked limit', '6000');
  const sent = await rackRow(await counter.takeIn(/^Take it in and send it on/));
  expect([sent?.family, sent?.waitsFor]).toEqual(['circular', 'grinder']);

  await again('Dado set');
  await counter.type('Marked limit', '7000');
  await expect(screen.locator('od-set-parts tbody tr')).toHaveCount(5);
  const parts = screen.getByRole('group', { name: 'Part of the set' });
  await counter.act(parts.getByRole('button', { name: /chipper 2/ }));
  await counter.mark('Crack');
  await expect(counter.verdict()).toHaveText('Take it, if');
  await expect(counter.reasons().filter({ hasText: 'chipper 2:' })).toContainText('refused');
  await counter.act(parts.getByRole('button', { name: /left outer/ }));
  await counter.mark('Rust');
  await expectAccessible(screen);
  const set = await rackRow(await counter.takeIn());
  expect(set?.family).toBe('dado');

  await expect(screen.getByRole('region', { name: 'This visit' }).locator('li')).toHaveCount(11);
  const quote = await screen.getByRole('link', { name: 'Print the quote' }).getAttribute('href');
  const words = await pdfText(await (await screen.request.get(quote ?? '')).body());
  for (const told of [
    String(first),
    'The owner has agreed to what cannot be undone',
    'Together',
    'grinder',
    'chipper 2',
  ])
    expect(words.replace(/\s/g, '')).toContain(told.replace(/\s/g, ''));
  await own.close();
}

test('every family is taken in, refused or sent on by keyboard', ({ browser }) => takeInAll(browser, 'keyboard'));
test('and by touch', ({ browser }) => takeInAll(browser, 'touch'));

test('what is typed outlives a reload and the server going away, and opens one ticket', async ({ shop }) => {
  await arrive(page, '/counter');
  const counter = new Counter(page, 'keyboard');
  await counter.customer('Ravi "Teak" Ó Dálaigh — 木工 <i>&</i>');
  await counter.button('Narrow band');
  await counter.type('Length all round', '3000 mm');
  await counter.type('In the customer’s words', 'Ticks; <script>alert(1)</script> \u202eright to left');
  await counter.choose('Soft: a file bites');
  await page.reload();
  await expect(page.getByLabel('Length all round')).toHaveValue('3000 mm');
  await shop.killAll();
  await counter.button(/^Take it in and hang a tag/);
  await expect(page.getByText('What you typed is still here')).toBeVisible();
  await shop.start();
  const number = await counter.takeIn();
  const row = await rackRow(number);
  const { ticket, customer } = (await (await page.request.get(`/api/tickets/${row?.id}`)).json()) as {
    ticket: { complaint: string };
    customer: { id: number; name: string };
  };
  expect(customer.name).toBe('Ravi "Teak" Ó Dálaigh — 木工 <i>&</i>');
  expect(ticket.complaint).toBe('Ticks; <script>alert(1)</script> \u202eright to left');
  const found = (await (await page.request.get(`/api/customers/${customer.id}/saws`)).json()) as unknown[];
  expect(found.length).toBe(1);
});

test('impossible sizes are said in place; another mark than the saw can have is not even offered', async () => {
  const counter = new Counter(page, 'keyboard');
  await counter.next();
  await counter.customer('Slip Ery');
  await counter.button('Crosscut blade');
  await counter.type('Diameter', '100 mm');
  await counter.type('Teeth, counted', '480');
  await expect(page.getByText(/480 teeth round a blade of 100 mm would stand 0\.7 mm apart/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Loose handle' })).toHaveCount(0);
  await counter.button('Another kind of saw');
  await counter.button('Dovetail saw');
  await counter.type('Plate thickness', '3 mm');
  await expect(page.getByText(/thicker than its teeth are high/)).toBeVisible();
  await counter.type('Plate thickness', '0.5 mm');
  await expect(page.getByText(/thicker than its teeth are high/)).toHaveCount(0);
});

test('photographs: eighty megapixels are made small, text named .jpg is not taken, and a reload loses none', async () => {
  const add = page.locator('od-photograph-desk input[type=file]').first();
  await add.setInputFiles({ name: 'toe.png', mimeType: 'image/png', buffer: widePicture(10_000, 8_000) });
  await expect(
    page.getByText(/toe\.png was made smaller before it is kept: from 80 to 2\.0 million pixels/),
  ).toBeVisible({ timeout: 60_000 });
  await add.setInputFiles({ name: 'saw.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('a saw, in words') });
  await expect(page.getByText(/saw\.jpg is no picture, whatever its name says/)).toBeVisible();
  await page.reload();
  await expect(page.locator('od-photograph-desk img')).toHaveCount(1);
  const counter = new Counter(page, 'keyboard');
  await counter.choose('Soft: a file bites');
  const row = await rackRow(await counter.takeIn());
  const dossier = (await (await page.request.get(`/api/tickets/${row?.id}`)).json()) as {
    photographs: { id: number; widthPx: number }[];
  };
  expect(dossier.photographs.map((p) => p.widthPx)).toEqual([1600]);
  const bytes = await (await page.request.get(`/api/photographs/${dossier.photographs[0]?.id}.jpg`)).body();
  expect(bytes.subarray(0, 2).toString('hex')).toBe('ffd8');
});

test('a tag’s code is read by a decoder, by the camera and by its number; labels come out of the printer', async () => {
  const tag = await (
    await page.request.get((await page.getByRole('link', { name: 'Print the tag' }).getAttribute('href')) ?? '')
  ).body();
  const [code] = await codesOnPdf(tag);
  expect(code).toMatch(/^odontis-ticket-\d+$/);
  const number = Number(code?.replace(/\D/g, ''));
  await new Counter(page, 'keyboard').button('Print its label');
  await expect(page.getByText(/^Printed\. \d+ labels are left/)).toBeVisible();

  await beforeDevice({ as: 'camera', file: await filmOfPdf(tag) }, async (tablet) => {
    await arrive(tablet);
    await tablet.getByRole('button', { name: 'Read a tag' }).click();
    await expect(tablet).toHaveURL(/\/ticket\/\d+\/measure$/, { timeout: 30_000 });
    await expect(tablet.getByText(`No. ${number}`)).toBeVisible();
  });

  await page.getByLabel('Tag number').fill(String(number));
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/ticket\/\d+\/measure$/);
  await expect(page.getByText(`No. ${number}`)).toBeVisible();
});

test('a question makes the ticket wait, and lies in the outbox until it is carried', async () => {
  const counter = new Counter(page, 'keyboard');
  await counter.button(/^counter slip/);
  await page.getByLabel('To', { exact: true }).fill('0555 777 111');
  await page.getByRole('textbox', { name: 'Note' }).fill('May the handle be drilled anew?');
  await counter.button('Put it in the outbox');
  await expect(page.getByText('waits for the customer')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Back room' }).click();
  await expect(page.locator('article', { hasText: 'May the handle be drilled anew?' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Label of ticket/ })).toBeVisible();
  await expectAccessible(page);
  await counter.button(/^Hand \d+ to the carrier/);
  await expect(page.getByRole('button', { name: 'Hand 0 to the carrier' })).toBeDisabled();
  await expect(page.locator('article', { hasText: 'May the handle be drilled anew?' })).toContainText('sent');
  // The whole shop is copied from here, by the server that npm start runs.
  await expect(page.getByText('There is no copy yet')).toBeVisible();
  await counter.button('Copy now');
  await expect(page.getByText('Copied.', { exact: true })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/less than an hour old, .* MB\. 1 of 14 kept/)).toBeVisible();
  await page.getByRole('link', { name: 'Rack', exact: true }).click();
  await page.getByRole('link', { name: /^Waiting on the customer/ }).click();
  await expect(page.getByText('Slip Ery')).toBeVisible();
});

test('a band goes to its handover; the same band coming back is known, with what was said', async () => {
  const rack = (await (await page.request.get('/api/rack')).json()) as (Rack & { stage: string; customer: string })[];
  const band = rack.find((row) => row.family === 'band' && row.stage === 'handover');
  const name = band?.customer.split(' ')[0] ?? '';
  await page.goto(`/ticket/${band?.id}`);
  await expect(page).toHaveURL(/\/handover$/);
  await expectAccessible(page);
  const counter = new Counter(page, 'keyboard');
  await page.getByLabel('From the bench to the customer').fill('Slack it off overnight.');
  await counter.button('Hand it over and close the ticket');
  await expect(page.getByRole('heading', { name: /Handed over on/ })).toBeVisible();
  await page.getByRole('link', { name: 'Counter' }).click();
  await counter.customer(band?.customer ?? '');
  await page
    .getByRole('option', { name: new RegExp(name) })
    .first()
    .waitFor();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  const known = page
    .getByRole('group', { name: 'Saws brought before' })
    .getByRole('button', { name: /^(Narrow|Wide) band/ })
    .first();
  await expect(known).toContainText('We said: Slack it off overnight.');
  await counter.act(known);
  await counter.choose('Soft: a file bites');
  await expect(counter.verdict()).toHaveText('Take it');
  await counter.takeIn();
});

test('the demo shop has saws of every family, and of every state there is', async () => {
  const customers = (await (await page.request.get('/api/customers?typed=')).json()) as unknown[];
  expect(Array.isArray(customers)).toBe(true);
  const rack = (await (await page.request.get('/api/rack')).json()) as (Rack & { stage: string })[];
  const families = new Set(rack.map((row) => row.family));
  expect([...families].sort()).toEqual(['back', 'band', 'circular', 'crosscut', 'dado', 'hand', 'pull']);
  expect([...new Set(rack.map((row) => row.stage))].sort()).toEqual(['bench', 'check', 'handover', 'measure', 'plan']);
  expect(new Set(rack.map((row) => row.waitsFor))).toEqual(new Set([null, 'customer', 'part', 'grinder']));
});
