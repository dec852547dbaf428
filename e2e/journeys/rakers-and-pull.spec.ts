import type { Browser } from '@playwright/test';
import { expect } from '@playwright/test';
import { pdfText } from '../fixtures/pdf-text';
import { test } from '../fixtures/shop';
import type { Hands } from '../pages/counter';
import { Bench } from '../pages/bench';
import { Counter } from '../pages/counter';
import { arrive, expectAccessible } from '../pages/sound';

async function atTheCounter(browser: Browser, hands: Hands): Promise<Counter> {
  const page = await (await browser.newContext({ hasTouch: hands === 'touch' })).newPage();
  await arrive(page, '/counter');
  return new Counter(page, hands);
}

/** A saw of this picture taken in for somebody, its measures as told, and its measuring opened. */
async function takenIn(
  counter: Counter,
  owner: string,
  saw: string,
  told: readonly (readonly [string, string])[],
): Promise<void> {
  await counter.customer(owner);
  await counter.button(saw);
  for (const [label, value] of told) await counter.type(label, value);
  await counter.choose('Soft: a file bites');
  await counter.takeIn();
  await counter.act(counter.page.getByRole('link', { name: 'Measure it now' }));
  await expect(counter.page.getByRole('button', { name: 'Measured: plan the work' })).toBeVisible();
}

/** A value keyed at the gauge, and a file with all the others. */
async function measured(counter: Counter, first: string, csv: string): Promise<void> {
  const { page } = counter;
  await counter.type(/· /, first);
  await counter.button(/^Next/);
  await page
    .locator('od-gauge-desk input[type=file]')
    .setInputFiles({ name: 'gauged.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText(/readings taken/)).toBeVisible();
}

async function reported({ page }: Counter, words: readonly string[]): Promise<void> {
  const report = await page.getByRole('link', { name: 'Open the customer’s report' }).getAttribute('href');
  const text = await pdfText(await (await page.request.get(report ?? '')).body());
  for (const said of words) expect(text.replace(/\s/g, '')).toContain(said.replace(/\s/g, ''));
}

/** Cutters of a CCR line on an arc, worn; its rakers too near under them, one far too low. */
function rakerCsv(teeth: number): string {
  const rows = ['quantity,place,value_mm'];
  for (let tooth = 1; tooth <= teeth; tooth++) {
    const share = (2 * (tooth - 1)) / (teeth - 1) - 1;
    if (tooth % 3 === 0) rows.push(`raker-depth,${tooth},${tooth === 12 ? 0.9 : 0.2}`, `raker-width,${tooth},5.5`);
    else rows.push(`height,${tooth},${(-3 * share ** 2 - 0.25 * Math.abs(Math.sin(tooth))).toFixed(3)}`);
  }
  return rows.join('\n');
}

async function crosscutSaw(browser: Browser, hands: Hands): Promise<void> {
  test.setTimeout(180_000);
  const counter = await atTheCounter(browser, hands);
  const { page } = counter;
  await takenIn(counter, `Isla Brandt ${hands}`, 'One-man crosscut', [
    ['Teeth', '10 mm'],
    ['Tooth line', '240 mm'],
  ]);
  // A raker far over its cutters is asked about, in place; what was keyed is not lost.
  await counter.type(/raker 3 · /, '900');
  await counter.button(/^Next/);
  await expect(page.getByText(/It is set aside/)).toBeVisible();
  await counter.button('Measure again');
  await measured(counter, '8', rakerCsv(25));
  await expect(page.getByText('17 cutters have a height, 8 rakers a depth')).toBeVisible();
  await expectAccessible(page);
  await counter.button('Measured: plan the work');
  await expect(page).toHaveURL(/\/plan$/);
  await expect(page.getByRole('row', { name: /Jointer’s file bent/ })).toBeVisible();
  await expect(page.getByText(/Already too low, and left: raker 12/)).toBeVisible();
  const wanted = page.getByRole('row', { name: /Rakers below the cutters/ });
  const before = await wanted.innerText();
  await page.getByRole('slider', { name: 'Rakers' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(wanted).not.toHaveText(before);
  await counter.choose('straight');
  await expect(page.getByRole('row', { name: /Jointer’s file straight/ })).toBeVisible();
  await counter.choose('as it lies');
  await counter.choose('swaged tips');
  await expect(page.getByText(/Hammer the rakers over/)).toBeVisible();
  await expectAccessible(page);
  await counter.button(/^Joint .* and tune$/);
  await expect(page).toHaveURL(/\/bench$/);
  await new Bench(counter).walk();
  await counter.act(page.getByRole('link', { name: 'To the check' }));
  await counter.type(/raker 3 · /, '4');
  await counter.button(/^Next/);
  await counter.saw('runs true', 'does not bind', 'does not jump');
  await counter.button('dust or short chips');
  await expect(page.getByRole('region', { name: 'What this cut points to' })).toContainText('rakers too high');
  await expect(page.getByRole('button', { name: 'Judge this cut' })).toBeEnabled();
  await counter.button('Judge this cut');
  await expect(page.getByRole('heading', { name: 'Cut 1: again' })).toBeVisible();
  await expect(page.getByText(/1 of 8 rakers measured: 1 too high/)).toBeVisible();
  await expect(page.getByText(/File those to the gauge/)).toBeVisible();
  await expectAccessible(page);
  await counter.saw('runs true', 'does not bind', 'does not jump');
  await counter.button('long clean ribbons');
  await counter.button('Judge this cut');
  await expect(page.getByRole('heading', { name: 'Cut 2: passes' })).toBeVisible();
  await counter.act(page.getByRole('link', { name: 'Hand it over' }));
  await expect(page.getByRole('link', { name: 'Open the customer’s report' })).toBeVisible();
  await reported(counter, ['rakers fitted, cutters pointed and set', 'swaged tips', 'Breast', 'Rakers now']);
  await page.context().close();
}

async function pullSaw(browser: Browser, hands: Hands): Promise<void> {
  test.setTimeout(180_000);
  const counter = await atTheCounter(browser, hands);
  const { page } = counter;
  await takenIn(counter, `Torin Vale ${hands}`, 'Two-edged pull saw', [
    ['Tooth line', '60 mm'],
    ['Teeth', '16'],
    ['Teeth of its rip edge', '11'],
  ]);
  await measured(counter, '0', edgeCsv('crosscut', 36));
  await expect(page.getByText(/36 on the crosscut edge, 0 on the rip edge/)).toBeVisible();
  await counter.button('Measured: plan the work');
  // One edge measured: said, and not taken for the whole.
  await expect(page.getByText('The rip edge is not measured.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^File the top bevels/ })).toBeDisabled();
  await counter.act(page.getByRole('link', { name: 'Go on measuring' }));
  await page
    .locator('od-gauge-desk input[type=file]')
    .setInputFiles({ name: 'rip.csv', mimeType: 'text/csv', buffer: Buffer.from(edgeCsv('rip', 25)) });
  await expect(page.getByText(/25 on the rip edge/)).toBeVisible();
  await counter.button('Measured: plan the work');
  await expect(page.getByRole('heading', { name: /The top bevels alone/ })).toBeVisible();
  await counter.choose('rip edge');
  await expect(page.getByRole('row', { name: /Board under the saw square across/ })).toBeVisible();
  await counter.choose('all three edges');
  await expect(page.getByText(/File the faces, crosscut edge, from the right/)).toBeVisible();
  await expectAccessible(page);
  await counter.button('File all three edges');
  await expect(page).toHaveURL(/\/bench$/);
  await expect(page.getByText(/spare blade over the tooth beside it/)).toBeVisible();
  await new Bench(counter).walk();
  await counter.act(page.getByRole('link', { name: 'To the check' }));
  await expectAccessible(page);
  // Each edge is cut with; only when both have passed does it go home.
  await counter.saw('runs true', 'does not bind', 'does not jump');
  await counter.button('Judge this cut');
  await expect(page.getByRole('heading', { name: 'Cut 1, crosscut edge: passes' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Hand it over' })).toBeHidden();
  const edge = page.getByRole('radiogroup', { name: 'Which edge cuts' });
  await expect(edge.getByRole('radio', { name: 'rip edge' })).toBeChecked();
  await counter.saw('runs true', 'does not bind', 'does not jump');
  await counter.button('Judge this cut');
  await expect(page.getByRole('heading', { name: 'Cut 2, rip edge: passes' })).toBeVisible();
  await counter.act(page.getByRole('link', { name: 'Hand it over' }));
  await expect(page.getByRole('link', { name: 'Open the customer’s report' })).toBeVisible();
  await reported(counter, ['All three edges filed on every tooth', 'Test cut, crosscut edge', 'Test cut, rip edge']);
  await page.context().close();
}

function edgeCsv(edge: string, teeth: number): string {
  const rows = Array.from({ length: teeth }, (_, i) => `height,${edge},${i + 1},${(-0.02 * (i % 3)).toFixed(2)}`);
  return ['quantity,part,place,value_mm', ...rows].join('\n');
}

test('a one-man crosscut from the counter to its report, by keyboard', ({ browser }) =>
  crosscutSaw(browser, 'keyboard'));
test('and by touch', ({ browser }) => crosscutSaw(browser, 'touch'));
test('a two-edged pull saw from the counter to its report, by keyboard', ({ browser }) => pullSaw(browser, 'keyboard'));
test('and that by touch', ({ browser }) => pullSaw(browser, 'touch'));
