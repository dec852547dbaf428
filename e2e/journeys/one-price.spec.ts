import type { Browser } from '@playwright/test';
import { expect } from '@playwright/test';
import { test } from '../fixtures/shop';
import { foundHollow, papers } from '../pages/found-hollow';
import { Bench } from '../pages/bench';
import type { Hands } from '../pages/counter';
import { expectAccessible } from '../pages/sound';

async function quotePassed(browser: Browser, hands: Hands): Promise<void> {
  test.setTimeout(180_000);
  const counter = await foundHollow(browser, hands, `Sorrel Adair ${hands}`);
  const { page } = counter;
  await counter.button('Measured: plan the work');
  await counter.button(/^Joint .* and tune$/);
  await expect(page).toHaveURL(/\/bench$/);
  const ask = page.locator('od-price-ask');
  await expect(ask).toContainText('above the');
  await expect(ask).toContainText('Nobody has asked them.');
  await expectAccessible(page);
  // What the old sum covers is done; then nothing more is begun, however often the key is pressed.
  const held = page.getByText('nothing more of this order is begun');
  const bench = new Bench(counter);
  for (let i = 0; i < 400 && !(await held.isVisible()); i++) await bench.steps(1);
  await expect(held).toBeVisible();
  const stood = await bench.place.innerText();
  await page.keyboard.press('Space');
  await expect(bench.place).toHaveText(stood);
  await page.reload();
  await expect(held).toBeVisible();
  // Asked by a quote of its own; no answer without how it came.
  await counter.choose('ask the customer');
  await expect(page.getByLabel('What they are told')).toHaveValue(/the work comes to/);
  await counter.button('Quote it: into the outbox');
  await expect(ask).toContainText(/Asked by quote \d+-2/);
  expect(await papers(counter, 'quote')).toMatch(/Quote\d+-2:upto/);
  await counter.choose('they said yes');
  await counter.button('Write the answer down');
  await expect(ask.getByRole('alert')).toContainText('Say how the answer came');
  await counter.choose('by telephone');
  await counter.type('Who said it', 'Sorrel');
  await counter.button('Write the answer down');
  await expect(ask).toBeHidden();
  await expect(held).toBeHidden();
  await bench.walk();
  await counter.act(page.getByRole('link', { name: 'To the check' }));
  await counter.saw('runs true', 'does not bind', 'does not jump');
  await counter.button('Judge this cut');
  await counter.act(page.getByRole('link', { name: 'Hand it over' }));
  const chain = page.locator('od-price-chain');
  await expect(chain).toContainText('by telephone');
  await expect(chain).toContainText('may be charged without another word');
  // More than was agreed is not charged; less wants a word.
  await counter.type(/^Charged/, '900');
  await counter.type(/^Why not/, 'They are rich.');
  await counter.button('Hand it over and close the ticket');
  await expect(page.getByText('is above what was agreed')).toBeVisible();
  await counter.type(/^Charged/, '20');
  await counter.type(/^Why not/, 'A friend of the house.');
  await counter.button('Hand it over and close the ticket');
  await expect(page.getByRole('heading', { name: /Handed over on/ })).toBeVisible();
  expect(await papers(counter, 'report')).toContain('Charged:€20.00');
  await page.context().close();
}

test('a plan above the quote is agreed to by telephone before it is gone on with, by keyboard', ({ browser }) =>
  quotePassed(browser, 'keyboard'));
test('and by touch', ({ browser }) => quotePassed(browser, 'touch'));

test('given back unsharpened: nothing is told that was not done, and taken up again it goes on', async ({
  browser,
}) => {
  const counter = await foundHollow(browser, 'keyboard', 'Odd Lindqvist');
  const { page } = counter;
  await counter.button(/^counter slip/);
  await counter.button('End the ticket');
  await expect(page.getByText('Say how it ends.')).toBeVisible();
  await counter.act(page.getByRole('combobox', { name: 'How' }), ' ');
  await page.getByRole('option', { name: 'Given back unsharpened' }).click();
  await counter.choose('the customer’s word');
  await page.locator('od-ticket-end').getByLabel('Why').fill('They want it as grandfather left it.');
  await counter.button('End the ticket');
  await expect(page.getByRole('heading', { name: 'Given back unsharpened' }).first()).toBeVisible();
  const report = await papers(counter, 'report');
  expect(report).toContain('Itgoeshomewithoutbeingsharpened.');
  for (const never of ['Theteetharesharp', 'Nextvisit', 'Charged']) expect(report).not.toContain(never);
  await page.locator('od-counter-slip').getByLabel('It goes on, because').fill('They thought it over.');
  await counter.button('Take the ticket up again');
  await expect(page.locator('od-ticket-end')).toBeVisible();
  await page.context().close();
});

test('a step left out and a plate that did not come out are told as they were', async ({ browser }) => {
  test.setTimeout(180_000);
  const counter = await foundHollow(browser, 'keyboard', 'Ilse Marchetti', 'Bend');
  const { page } = counter;
  await counter.button('Measured: plan the work');
  await counter.button(/^Joint .* and tune$/);
  await expect(page).toHaveURL(/\/bench$/);
  const bench = new Bench(counter);
  await bench.agreed();
  await bench.steps(1);
  await expect(page.locator('od-bench-turns')).toContainText('it came out');
  await counter.choose('it did not');
  await counter.type('Minutes', '25');
  await counter.button('Done so: next');
  await page.getByText('Elsewhere, again, left out').click();
  await counter.button('Leave this one out');
  await expect(page.getByText('Write why: the report says it.')).toBeVisible();
  await counter.type('Why it is left out', 'set was gone already');
  await counter.button('Leave this one out');
  await expect.poll(async () => (await papers(counter, 'report')).includes('Leftout')).toBe(true);
  const report = await papers(counter, 'report');
  expect(report).toContain('platestraightened,whichdidnotcomeout');
  expect(report).toContain('setwasgonealready');
  expect(report).toContain('Stillopen');
  await page.context().close();
});
