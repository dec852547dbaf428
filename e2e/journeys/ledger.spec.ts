import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { test } from '../fixtures/shop';
import { arrive, expectAccessible, press } from '../pages/sound';

test.describe.configure({ mode: 'serial' });

test('the ledger: a customer is found through a slip, changed, made one with a double, and saved as a card', async ({
  browser,
}) => {
  const page = await (await browser.newContext()).newPage();
  await arrive(page, '/ledger');
  await expect(page.getByLabel('Name, telephone, or a saw they brought')).toBeFocused();
  await expectAccessible(page);
  await page.keyboard.type('quayside boatyrad');
  await press(page, 'link', /Quayside Boatyard/);
  await expect(page.getByRole('heading', { name: 'Quayside Boatyard' })).toBeVisible();
  await page.getByRole('checkbox', { name: /A business/ }).focus();
  await page.keyboard.press('Space');
  await press(page, 'button', 'Add a contact');
  await page.getByLabel('Contact’s name').fill('Ilse of the slipway');
  await press(page, 'button', 'Keep the changes');
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible();
  await expectAccessible(page);
  const loading = page.waitForEvent('download');
  await press(page, 'link', 'Save as vCard');
  const card = readFileSync(await (await loading).path(), 'utf8');
  expect(card).toContain('FN:Quayside Boatyard');
  expect(card).toContain('FN:Ilse of the slipway');

  // The same business once more, out of another shop's card: found as a double and made one.
  await page.goto('/ledger');
  const twin = 'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:Quayside Boatyards\r\nTEL:0555 999 000\r\nEND:VCARD\r\n';
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'twin.vcf', mimeType: 'text/vcard', buffer: Buffer.from(twin) });
  await expect(page.getByText('1 new, 0 in the book already.')).toBeVisible();
  await press(page, 'link', /^Quayside Boatyards$/);
  await press(page, 'button', 'They are the same …');
  await press(page, 'button', 'Make them one');
  await expect(page.getByRole('heading', { name: /^\d saws$/ })).toBeVisible();
  await expect(page.getByText('May be the same customer')).toHaveCount(0);
  await press(page, 'button', /Take this person out of the book/);
  await press(page, 'button', /Take this person’s data out/);
  await expect(page.getByText(/A saw of theirs is in the shop on ticket no. \d+: hand it over first/)).toBeVisible();
});

test('a file that is no vCard is a sentence, and nothing is taken in', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  await arrive(page, '/ledger');
  const file = { name: 'cat.vcf', mimeType: 'text/vcard', buffer: Buffer.from('not a card') };
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(page.getByText('This is not a vCard')).toBeVisible();
});
