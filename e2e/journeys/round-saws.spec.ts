import type { Browser } from '@playwright/test';
import { expect } from '@playwright/test';
import { pdfText } from '../fixtures/pdf-text';
import { test } from '../fixtures/shop';
import type { Hands } from '../pages/counter';
import { Bench } from '../pages/bench';
import { Counter } from '../pages/counter';
import { arrive, expectAccessible } from '../pages/sound';

/** A saw of this picture taken in for somebody, its measures as told, and its measuring opened. */
async function takenIn(
  browser: Browser,
  hands: Hands,
  owner: string,
  saw: string,
  told: readonly (readonly [string, string])[],
): Promise<Counter> {
  const page = await (await browser.newContext({ hasTouch: hands === 'touch' })).newPage();
  await arrive(page, '/counter');
  const counter = new Counter(page, hands);
  await counter.customer(owner);
  await counter.button(saw);
  for (const [label, value] of told) await counter.type(label, value);
  await counter.choose('Soft: a file bites');
  await counter.takeIn();
  await counter.act(page.getByRole('link', { name: 'Measure it now' }));
  await expect(page.getByRole('button', { name: 'Measured: plan the work' })).toBeVisible();
  return counter;
}

async function readAs(counter: Counter, rows: readonly string[]): Promise<void> {
  const { page } = counter;
  const buffer = Buffer.from(['quantity,part,place,value_mm', ...rows].join('\n'));
  await page
    .locator('od-gauge-desk input[type=file]')
    .setInputFiles({ name: 'read.csv', mimeType: 'text/csv', buffer });
  await expect(page.getByText(/readings taken/)).toBeVisible();
  await counter.button('Measured: plan the work');
  await expect(page).toHaveURL(/\/plan$/);
}

/** Every stop done, of a set whose chippers are read by dial between the strokes. */
async function walkedByDial(counter: Counter, at: string): Promise<void> {
  const { page } = counter;
  const bench = new Bench(counter);
  const dial = page.getByLabel(/^The dial now/);
  const read = async (value: string): Promise<void> => {
    await counter.type(/^The dial now/, value);
    await page.keyboard.press('Enter');
  };
  await bench.agreed();
  let first = true;
  // A set's walk begins with its outer blades: the chippers' first stop is asked for at every step.
  while (!(await bench.finished.isVisible())) {
    if (await dial.isVisible()) {
      if (first) {
        await bench.press();
        await expect(page.getByText(/Read the dial at this tooth first/)).toBeVisible();
        await read('-0.3 mm');
        await expect(page.getByText(/strokes more, then read again/)).toBeVisible();
        await expectAccessible(page);
      }
      await read(at);
      await expect(page.getByText(/enough, another stroke could take it under/)).toBeVisible();
      first = false;
    }
    await bench.steps(1);
  }
  expect(first).toBe(false);
}

/** A cut that shows something, then one that passes, to the handover and its report. */
async function checked(
  counter: Counter,
  shows: string,
  passes: readonly string[],
  asks: string,
  words: readonly string[],
  gauged: readonly string[] = [],
): Promise<void> {
  const { page } = counter;
  await counter.act(page.getByRole('link', { name: 'To the check' }));
  await expectAccessible(page);
  await counter.saw(shows);
  await counter.button('Judge this cut');
  await expect(page.getByRole('heading', { name: 'Cut 1: again' })).toBeVisible();
  await expect(page.getByText(asks)).toBeVisible();
  await counter.saw(...passes);
  await counter.button('Judge this cut');
  if (gauged.length === 0) await expect(page.getByRole('heading', { name: 'Cut 2: passes' })).toBeVisible();
  else {
    // A set passes only where the floor of its groove was gauged.
    await expect(page.getByRole('heading', { name: 'Cut 2: open: not everything was looked at' })).toBeVisible();
    const buffer = Buffer.from(['quantity,part,place,value_mm', ...gauged].join('\n'));
    await page
      .locator('od-gauge-desk input[type=file]')
      .setInputFiles({ name: 'groove.csv', mimeType: 'text/csv', buffer });
    await expect(page.getByText(/readings taken/)).toBeVisible();
    await counter.saw(...passes);
    await counter.button('Judge this cut');
    await expect(page.getByRole('heading', { name: 'Cut 3: passes' })).toBeVisible();
  }
  await counter.act(page.getByRole('link', { name: 'Hand it over' }));
  const report = page.getByRole('link', { name: 'Open the customer’s report' });
  await expect(report).toBeVisible();
  const text = await pdfText(await (await page.request.get((await report.getAttribute('href')) ?? '')).body());
  for (const said of words) expect(text.replace(/\s/g, '')).toContain(said.replace(/\s/g, ''));
  await page.context().close();
}

async function band(browser: Browser, hands: Hands): Promise<void> {
  test.setTimeout(120_000);
  const counter = await takenIn(browser, hands, `Loop Ery ${hands}`, 'Narrow band', [['Length all round', '600 mm']]);
  const { page } = counter;
  await readAs(
    counter,
    [10, 20, 30, 40, 50, 60, 70, 80].map((tooth) => `set,,${tooth},0.05`),
  );
  // A count that length and pitch speak against is asked about, in place.
  await counter.type('Teeth, counted', '60');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/Count once more, or measure over ten teeth/)).toBeVisible();
  await counter.type('Teeth, counted', '95');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('row', { name: /Teeth 95, counted/ })).toBeVisible();
  await expect(page.getByText(/At the weld: an odd count/)).toBeVisible();
  await expect(page.getByRole('img', { name: /^The loop in the vise/ })).toBeVisible();
  await expectAccessible(page);
  await counter.button('To the bench with it');
  await expect(page).toHaveURL(/\/bench$/);
  await expect(page.getByText(/springs open/)).toBeVisible();
  // Left in the middle of a circuit, the place is where it was.
  const bench = new Bench(counter);
  await bench.steps(3);
  await expect(page.getByText(/stop 4 of/)).toBeVisible();
  const place = await page.locator('.where').innerText();
  await expect(page.getByText('The server is away')).toHaveCount(0);
  await page.reload();
  await expect(page.locator('.where')).toHaveText(place);
  await expectAccessible(page);
  await counter.type('Last marker came up at tooth', '72');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/23 teeth early: a window was passed over/)).toBeVisible();
  await page.locator('body').click({ position: { x: 2, y: 2 } });
  await bench.walk();
  await checked(
    counter,
    'beats once a turn',
    ['runs true', 'does not burn', 'does not beat'],
    'Find the place: turn it by hand',
    ['Every gullet filed alike all round'],
  );
}

async function combination(browser: Browser, hands: Hands): Promise<void> {
  test.setTimeout(120_000);
  const counter = await takenIn(browser, hands, `Rim Ery ${hands}`, 'Combination blade', [
    ['Teeth, counted', '15'],
    ['Marked limit', '6000'],
  ]);
  const { page } = counter;
  const dial = (tooth: number, turned: number): string => {
    const angle = (2 * Math.PI * (tooth - 1)) / 15;
    const own = tooth % 5 === 0 ? -0.3 : -0.03 * (tooth % 4);
    return (own + 0.05 * Math.cos(angle) + 0.12 * Math.cos(angle + turned)).toFixed(3);
  };
  const teeth = Array.from({ length: 15 }, (_, i) => i + 1);
  await readAs(counter, [
    ...teeth.map((tooth) => `runout,,${tooth},${dial(tooth, 0)}`),
    ...teeth.map((tooth) => `runout-turned,,${tooth},${dial(tooth, Math.PI)}`),
  ]);
  await expect(page.getByRole('row', { name: /Off its centre blade .* arbor/ })).toBeVisible();
  // Every tooth is read: what each takes is a lane of its own.
  await expect(page.getByRole('img', { name: /with lanes for .*load/ })).toBeVisible();
  const depth = page.getByRole('slider', { name: 'Depth', exact: true });
  await depth.focus();
  const before = await page.getByRole('row', { name: /Teeth reached/ }).innerText();
  await page.keyboard.press('Home');
  await expect(page.getByRole('row', { name: /Teeth reached/ })).not.toHaveText(before);
  await counter.button(/^back to the advised/);
  await expectAccessible(page);
  await counter.button('To the bench with it');
  await expect(page).toHaveURL(/\/bench$/);
  await expect(page.getByText(/unplugged before the blade/)).toBeVisible();
  await new Bench(counter).walk();
  await checked(
    counter,
    'leaves steps',
    ['runs true', 'does not burn', 'leaves no steps'],
    'It leaves steps: read the teeth by dial',
    ['Jointed round, every tooth filed on face and back', 'which stays with the machine'],
  );
}

async function set(browser: Browser, hands: Hands): Promise<void> {
  test.setTimeout(180_000);
  const counter = await takenIn(browser, hands, `Groove Ery ${hands}`, 'Dado set', [['Marked limit', '7000']]);
  const { page } = counter;
  const chippers = ['chipper 1', 'chipper 2', 'chipper 3'];
  await readAs(counter, [
    ...['left outer', 'right outer'].flatMap((part) => [1, 9, 17, 25, 33].map((tooth) => `runout,${part},${tooth},0`)),
    ...chippers.flatMap((part, i) =>
      [1, 2, 3, 4].map((tooth) => `chipper-height,${part},${tooth},${(-0.2 - 0.15 * i).toFixed(2)}`),
    ),
  ]);
  await expect(page.getByRole('row', { name: /Steps on the floor .* uneven|too much/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^The groove in section/ })).toBeVisible();
  // A shallower depth leaves teeth short of it; back to what is advised.
  const down = page.getByRole('slider', { name: 'Chippers down' });
  await down.focus();
  await page.keyboard.press('Home');
  await expect(page.getByText(/of the chipper 3 stands under the others, and is left/).first()).toBeVisible();
  await counter.button(/^back to the advised/);
  await counter.type('Groove wanted', '9 mm');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/Nearest:/)).toBeVisible();
  await counter.type('Groove wanted', '400 mm');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/is no groove a set cuts/)).toBeVisible();
  await counter.type('Groove wanted', '9 mm');
  await page.keyboard.press('Tab');
  await expectAccessible(page);
  await counter.button('To the bench with it');
  await expect(page).toHaveURL(/\/bench$/);
  await walkedByDial(counter, '-0.49 mm');
  await checked(
    counter,
    'leaves steps',
    ['runs true', 'does not burn', 'leaves no steps'],
    'or the floor of the groove part by part',
    ['every chipper brought to one height', 'Floor of the groove'],
    ['groove-step,chipper 1,1,0.02', 'groove-step,chipper 2,1,0.05'],
  );
}

test('a band from the counter to its report, by keyboard', ({ browser }) => band(browser, 'keyboard'));
test('and by touch', ({ browser }) => band(browser, 'touch'));
test('a combination blade read twice, from the counter to its report, by keyboard', ({ browser }) =>
  combination(browser, 'keyboard'));
test('and that by touch', ({ browser }) => combination(browser, 'touch'));
test('a dado set of five parts from the counter to its report, by keyboard', ({ browser }) => set(browser, 'keyboard'));
test('and the set by touch', ({ browser }) => set(browser, 'touch'));
