import type { BrowserContext, Locator, Page } from '@playwright/test';
import { expect } from '@playwright/test';
import type { Dossier } from '@odontis/contract/dossier';
import { dossier as answered } from '@odontis/contract/dossier';
import { madeLine, madeScan, randomFrom } from '@odontis/core/reference/made-scan';
import type { ScanWish, TrueTooth } from '@odontis/core/reference/made-scan';
import { greyPng, widePicture } from '../fixtures/pictures';
import { test } from '../fixtures/shop';
import { comeIn, expectAccessible } from '../pages/sound';

interface Finding {
  readonly way: string;
  readonly turnDeg?: number;
  readonly rakeDeg?: number | null;
}
const of = (
  session: Dossier['sessions'][number] | undefined,
  quantity: string,
): Dossier['sessions'][number]['readings'] => session?.readings.filter((r) => r.quantity === quantity) ?? [];

let context: BrowserContext;
let page: Page;
let tickets: Map<string, number>;

test.describe.configure({ mode: 'serial' });
test.beforeAll(async ({ browser }) => {
  context = await browser.newContext();
  await comeIn(context);
  page = await context.newPage();
  const rows = (await (await page.request.get('/api/rack')).json()) as { id: number; stage: string; family: string }[];
  tickets = new Map();
  for (const row of rows.filter((r) => r.stage === 'measure')) {
    const { saw } = answered.parse(await (await page.request.get(`/api/tickets/${row.id}`)).json());
    // A frame saw of plain teeth has no rakers to be measured.
    if (saw.family !== 'crosscut' || saw.pattern.includes('R')) tickets.set(row.family, row.id);
  }
});
test.afterAll(async () => {
  await context.close();
});

const dossier = async (family: string): Promise<Dossier> =>
  answered.parse(await (await page.request.get(`/api/tickets/${tickets.get(family)}`)).json());
const openMeasure = async (family: string): Promise<void> => {
  await page.goto(`/ticket/${tickets.get(family)}/measure`);
};
const button = (name: string | RegExp): Locator => page.getByRole('button', { name });
const scanFile = (name: string, line: readonly TrueTooth[], wish: ScanWish, dpi: number | null = wish.dpi) => {
  const { picture } = madeScan(line, wish);
  return {
    name,
    mimeType: 'image/png',
    buffer: greyPng(picture.widthPx, picture.heightPx, picture.grey as Uint8Array, dpi),
  };
};
const openScan = (file: { name: string; mimeType: string; buffer: Buffer }): Promise<void> =>
  page.locator('od-trace-panel input[type=file]').last().setInputFiles(file);
const key = async (value: string): Promise<void> => {
  await page.locator('#od-gauge-entry').focus();
  await page.keyboard.type(value);
  await page.keyboard.press('Enter');
};
const closeSession = async (note: string): Promise<void> => {
  await page.getByLabel('Note').fill(note);
  await expect(button('Close this session')).toBeEnabled();
  await button('Close this session').click();
  await expect(page.getByText('The first reading opens a session.')).toBeVisible();
};

test('a back saw is scanned: traced, looked over where in doubt, taken and kept as its own sitting', async () => {
  const { saw } = await dossier('back');
  const line = madeLine({
    teeth: 60,
    pitchMm: saw.pitchMm,
    unevenMm: 0.04,
    unequalMm: 0.04,
    broken: [22],
    missing: [40],
  });
  await openMeasure('back');
  await page.getByRole('radio', { name: 'From a picture' }).click();
  await openScan(scanFile('toe-up.png', line, { dpi: 1200, skewDeg: 2, dust: 40, unevenLight: 0.2 }));
  await expect(button('Take these 60 teeth')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('heading', { name: /want a look/ })).toBeVisible();
  await expect(button(/Tooth 22: broken/)).toBeVisible();
  await expect(button(/Tooth 40: no tooth here/)).toBeVisible();
  await expectAccessible(page);
  // The keys of one hand: the doubtful are accepted one after the other, a tip is moved and put back.
  const view = page.locator('od-traced-picture canvas');
  await button(/Tooth 22: broken/).click();
  await view.focus();
  await page.keyboard.press('Enter');
  await expect(button(/Tooth 22: broken/)).toHaveCount(0);
  await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Control+z');
  await button('Take these 60 teeth').click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await expect.poll(async () => of((await dossier('back')).sessions.at(-1), 'place').length).toBe(60);
  const kept = (await dossier('back')).sessions.at(-1);
  expect(new Set(of(kept, 'height').map((r) => r.gauge))).toEqual(new Set(['scan']));
  expect(of(kept, 'kind').map((r) => [r.place, r.value])).toEqual([
    [22, 'broken'],
    [40, 'missing'],
  ]);
  for (const r of of(kept, 'place'))
    if (r.place !== 22 && r.place !== 40)
      expect(Math.abs((r.value as number) - (line[r.place - 1]?.xMm ?? NaN))).toBeLessThan(0.04);
  await button('Measure it anew, keeping this').click();
  await expect(page.getByText(/Behind the lanes: measured/)).toBeVisible();
  // The new sitting by indicator: three heights pressed, put into the line and kept there.
  await page.getByRole('radio', { name: 'Gauge and indicator' }).click();
  await button('Stand-in indicator').click();
  for (let tooth = 1; tooth <= 3; tooth++) {
    await button(/^Press/).click();
    await expect(page.locator('od-gauge-facts td').first()).toHaveText(new RegExp(`^${tooth} of`), { timeout: 8000 });
  }
  await expect.poll(async () => (await dossier('back')).sessions.at(-1)?.readings.length).toBe(3);
  const { sessions } = await dossier('back');
  // What came out of a stand-in says so for ever; what was scanned before is as it was.
  expect(sessions.at(-1)?.readings.map((r) => [r.gauge, r.simulated])).toEqual(
    Array.from({ length: 3 }, () => ['indicator', true]),
  );
  expect(sessions.at(-2)?.readings).toEqual(kept?.readings);
  await page.getByRole('radio', { name: 'Keyed tooth by tooth' }).click();
  await expect(page.getByText(/simulated/)).toBeVisible();
  // The traced flanks are readings of angles of the same session, and the plan can match them.
  const flanks = of(sessions.at(-2), 'angles').map((r) => r.value as Finding);
  expect(flanks.length).toBeGreaterThan(50);
  expect(flanks.every((a) => a.way === 'scan' && Math.abs(a.rakeDeg ?? 0) < 1.5)).toBe(true);
  await page.goto(`/ticket/${tickets.get('back')}/plan`);
  await expect(page.getByText(/This saw came with/)).toBeVisible();
});

test('a two-edged pull saw is scanned edge by edge: what is taken is of the edge that was chosen', async () => {
  const rows = (await (await page.request.get('/api/rack')).json()) as { id: number; stage: string; family: string }[];
  const pulls = rows.filter((row) => row.family === 'pull' && row.stage === 'plan');
  const all = await Promise.all(
    pulls.map(async ({ id }) => answered.parse(await (await page.request.get(`/api/tickets/${id}`)).json())),
  );
  const two = all.find(({ saw }) => saw.family === 'pull' && saw.edges === 2);
  if (two?.saw.family !== 'pull') throw new Error('The demo has no two-edged pull saw to be planned.');
  tickets.set('two-edged', two.ticket.id);
  const pitchMm = two.saw.ripPitchMm ?? two.saw.pitchMm;
  const line = madeLine({ teeth: 24, pitchMm, rakeDeg: -5, unevenMm: 0.03 });
  await openMeasure('two-edged');
  await page.getByRole('radio', { name: 'From a picture' }).click();
  await page.getByRole('radiogroup', { name: 'Which edge the picture shows' }).getByText('rip edge').click();
  await openScan(scanFile('rip.png', line, { dpi: 1200 }));
  await expect(button('Take these 24 teeth')).toBeVisible({ timeout: 30_000 });
  // Its own pitch is the one that is held against the picture.
  await expect(page.getByText(/looks like/)).toHaveCount(0);
  await button('Take these 24 teeth').click();
  await expect.poll(async () => of((await dossier('two-edged')).sessions.at(-1), 'height').length).toBe(24);
  const taken = (await dossier('two-edged')).sessions.at(-1);
  for (const quantity of ['height', 'place', 'angles'])
    expect(new Set(of(taken, quantity).map((r) => r.part))).toEqual(new Set(['rip']));
  await expect(page.getByText(/24 on the rip edge/)).toBeVisible();
});

test('a wrong resolution is asked about; two scans of one saw are joined; a trace is saved for other programs', async () => {
  const { saw } = await dossier('hand');
  const line = madeLine({ teeth: 50, pitchMm: saw.pitchMm, rakeDeg: -14, unevenMm: 0.12, unequalMm: 0.08 });
  const whole = madeScan(line, { dpi: 600, plateMm: 2 * saw.pitchMm, spaceMm: saw.pitchMm }).picture;
  const part = (from: number, to: number, name: string, dpi: number) => {
    const [a, b] = [Math.round(from * whole.widthPx), Math.round(to * whole.widthPx)];
    const grey = new Uint8Array((b - a) * whole.heightPx);
    for (let y = 0; y < whole.heightPx; y++)
      grey.set(whole.grey.subarray(y * whole.widthPx + a, y * whole.widthPx + b), y * (b - a));
    return { name, mimeType: 'image/png', buffer: greyPng(b - a, whole.heightPx, grey, dpi) };
  };
  await openMeasure('hand');
  await page.getByRole('radio', { name: 'From a picture' }).click();
  await openScan(part(0, 0.62, 'heel.png', 300));
  await expect(page.getByText(/looks like 600 dots to the inch/)).toBeVisible({ timeout: 30_000 });
  await button('Take it as 600').click();
  await expect(page.getByText(/looks like 600/)).toHaveCount(0);
  await page
    .locator('label', { hasText: 'Another picture, joined' })
    .locator('input')
    .setInputFiles(part(0.38, 1, 'toe.png', 600));
  await expect(button('Take these 50 teeth')).toBeVisible({ timeout: 30_000 });
  for (const [as, text] of [
    ['SVG', '<svg'],
    ['DXF', 'LWPOLYLINE'],
  ] as const) {
    const [file] = await Promise.all([page.waitForEvent('download'), button(`Save as ${as}`).click()]);
    const chunks: Buffer[] = [];
    for await (const piece of await file.createReadStream()) chunks.push(piece as Buffer);
    expect(Buffer.concat(chunks).toString()).toContain(text);
  }
});

test('angles: a file seated in unworn gullets, points by eye, and teeth off their points named', async () => {
  await openMeasure('hand');
  await page.getByRole('radio', { name: 'Angles' }).click();
  const seat = async (fall: string, turn: string): Promise<void> => {
    await page.getByLabel(/The block falls/).fill(fall);
    await page.getByLabel(/Turned off square/).fill(turn);
    await page.keyboard.press('Enter');
  };
  for (const [fall, turn] of [
    ['15', '20'],
    ['16', '21'],
    ['15', '70 to the plate'],
  ] as const)
    await seat(fall, turn);
  await expect(page.getByRole('rowheader', { name: 'Fleam', exact: true })).toBeVisible();
  // The other way of saying it, taken for this one: kept, set aside, asked about.
  await seat('15', '70');
  await expect(page.getByText(/A fleam of 70° is beyond what a saw has/)).toBeVisible();
  await expectAccessible(page);
  await button(/said to the plate: 20° off square/).click();
  await page.getByRole('radio', { name: 'Points by eye' }).click();
  await button(/^Back one/).click();
  for (let back = 0; back < 4; back++) await page.keyboard.press('ArrowUp');
  await button(/From here left, right/).click();
  await expect(page.getByText(/teeth said to alternate/)).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('r');
  await page.keyboard.press('r');
  await expect(button(/tooth 3: point right, leans left/)).toBeVisible();
  await expect(page.getByRole('img', { name: /1 leaning off their point/ })).toBeVisible();
  await closeSession('block and card');
  const session = (await dossier('hand')).sessions.at(-1);
  expect(session?.note).toBe('block and card');
  const seated = of(session, 'angles').filter((r) => r.gauge === 'file');
  expect(seated.map((r) => [r.place, (r.value as Finding).turnDeg, r.setAside])).toEqual([
    [1, -20, false],
    [2, 21, false],
    [3, -20, false],
    [4, 70, true],
    [4, 20, false],
  ]);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    (async () => {
      await page.getByRole('radio', { name: 'Points by eye' }).click();
      await button(/^Left/).click();
      await button('Save angles as CSV').click();
    })(),
  ]);
  expect(file.suggestedFilename()).toMatch(/angles\.csv$/);
});

test('pictures that hold no saw, are damaged or far too large are a sentence, and the record is untouched', async () => {
  const next = randomFrom(9);
  const noise = (width: number, height: number, of: (x: number, y: number) => number): Buffer =>
    greyPng(
      width,
      height,
      Uint8Array.from({ length: width * height }, (_, i) => of(i % width, Math.floor(i / width))),
      600,
    );
  const png = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/png', buffer });
  const cat = (x: number, y: number): number =>
    (Math.hypot(x - 450, y - 380) < 250 || Math.hypot(x - 280, y - 170) < 90 ? 70 : 190) +
    30 * next() +
    12 * Math.sin(x / 5);
  const good = scanFile('saw.png', madeLine({ teeth: 30, pitchMm: 2.5 }), { dpi: 600 });
  const before = JSON.stringify((await dossier('hand')).sessions);
  await openMeasure('hand');
  await page.getByRole('radio', { name: 'From a picture' }).click();
  const cases: [{ name: string; mimeType: string; buffer: Buffer }, RegExp][] = [
    [png('cat.png', noise(900, 700, cat)), /No tooth line was found/],
    [
      png(
        'black.png',
        noise(900, 300, () => 0),
      ),
      /all one grey/,
    ],
    [png('words.png', Buffer.from('a saw, in words')), /no picture that can be traced/],
    [png('huge.png', widePicture(30_000, 20_000)), /has 600 million pixels/],
    [
      png('cut.png', good.buffer.subarray(0, Math.round(good.buffer.length / 3))),
      /ends too early or is damaged|No tooth line/,
    ],
  ];
  for (const [file, says] of cases) {
    await openScan(file);
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible({ timeout: 30_000 });
    await expect(button(/^Take these/)).toHaveCount(0);
  }
  await openScan(good);
  await expect(button('Take these 30 teeth')).toBeVisible({ timeout: 30_000 });
  expect(JSON.stringify((await dossier('hand')).sessions)).toBe(before);
});

test('a raker saw by feeler gauge: wrong units are asked about, a correction keeps the old value', async () => {
  await openMeasure('crosscut');
  await page.getByRole('radio', { name: 'Raker depth' }).click();
  for (const depth of ['13', '14', '8', '15', '12']) await key(depth);
  await expect(page.getByText('5 of', { exact: false }).first()).toBeVisible();
  // Thousandths keyed as millimetres: kept, set aside and asked about.
  await key('14 mm');
  await expect(page.getByText(/Raker depth of .* cannot be on this saw/)).toBeVisible();
  await expectAccessible(page);
  await button(/the figure in thousandths of an inch/).click();
  await key('16');
  await button('Take the last back').click();
  await key('15');
  await expect(page.getByRole('rowheader', { name: 'Too shallow' })).toBeVisible();
  await closeSession('by feeler on two cutters');
  const session = (await dossier('crosscut')).sessions.at(-1);
  expect(session?.note).toBe('by feeler on two cutters');
  expect(session?.readings.length).toBe(10);
  expect(session?.readings.filter((r) => r.corrects !== null).length).toBe(2);
  expect(session?.readings.some((r) => r.value === 14 && r.setAside)).toBe(true);
  expect(session?.readings.every((r) => r.gauge === 'straight-edge')).toBe(true);
});

test('a dado set by the stand-in indicator: presses land tooth by tooth through garbage, drop-outs and a reload', async () => {
  await openMeasure('dado');
  await page.getByRole('radio', { name: 'Chipper height' }).click();
  await button('Stand-in indicator').click();
  const press = button(/^Press/);
  const taken = page.locator('od-gauge-facts td').first();
  const parts = page.getByRole('radiogroup', { name: 'Which part' }).getByRole('radio');
  const chippers = await parts.count();
  expect(chippers).toBeGreaterThan(0);
  for (let part = 0; part < chippers; part++) {
    await parts.nth(part).click();
    for (let tooth = 1; tooth <= 2; tooth++) {
      await press.click();
      await expect(taken).toHaveText(new RegExp(`^${tooth} of`), { timeout: 8000 });
    }
  }
  await expect(page.getByRole('rowheader', { name: 'Spread' })).toBeVisible();
  await page.getByRole('radio', { name: 'Dial round the rim' }).click();
  for (let tooth = 1; tooth <= 8; tooth++) {
    await press.click();
    await expect(taken).toHaveText(new RegExp(`^${tooth} of`), { timeout: 8000 });
  }
  await expect(page.getByRole('rowheader', { name: 'Off its centre' })).toBeVisible();
  await page.reload();
  await expect(taken).toHaveText(/^8 of/);
  await closeSession('');
  const session = (await dossier('dado')).sessions.at(-1);
  expect(session?.readings.length).toBe(chippers * 2 + 8);
  expect(new Set(session?.readings.map((r) => r.gauge))).toEqual(new Set(['indicator']));
});

test('an indicator on the browser’s serial port: its presses land, it is unplugged, what was taken is kept', async () => {
  // A port made of streams stands where a real one would be plugged in.
  await page.addInitScript(() => {
    const wire: { controller?: ReadableStreamDefaultController<Uint8Array> } = {};
    const port = {
      readable: new ReadableStream<Uint8Array>({ start: (controller) => void (wire.controller = controller) }),
      open: () => Promise.resolve(),
      close: () => Promise.resolve(),
    };
    Object.defineProperty((navigator as unknown as { serial: object }).serial, 'requestPort', {
      value: () => Promise.resolve(port),
    });
    Object.assign(window, {
      odontisWire: {
        say: (text: string) => wire.controller?.enqueue(new TextEncoder().encode(text)),
        pull: () => wire.controller?.error(new DOMException('gone', 'NetworkError')),
      },
    });
  });
  const wire = (what: 'say' | 'pull', text = ''): Promise<void> =>
    page.evaluate(
      (told) =>
        (window as unknown as { odontisWire: Record<string, (text: string) => void> }).odontisWire[told.what]?.(
          told.text,
        ),
      { what, text },
    );
  // The demo's blade is at its grinder: nothing is measured of it before it is back.
  await openMeasure('circular');
  const away = page.locator('od-outwork-panel');
  await away.getByRole('radio', { name: 'it is done' }).click();
  await away.getByLabel(/^They charged/).fill('20');
  await away.getByRole('button', { name: 'It is back' }).click();
  await page.getByRole('radio', { name: 'Dial round the rim' }).click();
  await button('Indicator on a serial port').click();
  await expect(page.getByText('Indicator on the serial port', { exact: false })).toBeVisible();
  const taken = page.locator('od-gauge-facts td').first();
  for (const [i, mm] of ['+0.010', '+0.022', '-0.015', '+0.004'].entries()) {
    await wire('say', `${mm}0 mm\r\n#?!\r\n${mm}0 mm *\r\n`);
    await expect(taken).toHaveText(new RegExp(`^${i + 1} of`));
  }
  await expect(page.getByText(/4 lines could not be read/)).toBeVisible();
  await wire('pull');
  await expect(page.getByText(/unplugged or fell silent/)).toBeVisible();
  await closeSession('');
  const session = (await dossier('circular')).sessions[0];
  expect(session?.readings.map((r) => [r.place, r.value, r.gauge, r.simulated])).toEqual([
    [1, 0.01, 'indicator', false],
    [2, 0.022, 'indicator', false],
    [3, -0.015, 'indicator', false],
    [4, 0.004, 'indicator', false],
  ]);
});

test('a band by sampling: spread all round, until the decision no longer depends on it', async () => {
  await openMeasure('band');
  await button('A sample, spread all round').click();
  await expect(page.getByText(/Six at the least/)).toHaveCount(0);
  for (const set of ['8', '7.2', '9', '8.5', '7.8', '8.1']) await key(set);
  await expect(page.getByText(/Enough: the mean set is over/)).toBeVisible();
  await closeSession('six of all');
  const session = (await dossier('band')).sessions.at(-1);
  const places = session?.readings.map((r) => r.place) ?? [];
  expect(places.length).toBe(6);
  // Nowhere near one another: a sample of the whole loop.
  const sorted = [...places].sort((a, b) => a - b);
  expect(Math.max(...sorted.map((p, i) => p - (sorted[i - 1] ?? 0)))).toBeLessThan(200);
});
