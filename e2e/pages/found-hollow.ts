import type { Browser } from '@playwright/test';
import { expect } from '@playwright/test';
import { pdfText } from '../fixtures/pdf-text';
import { wornBackSawCsv } from '../fixtures/worn-back-saw';
import type { Hands } from './counter';
import { Counter } from './counter';
import { arrive } from './sound';

/** A dovetail saw whose line was said to be even, taken in and found hollow: its plan is a tune, and above the quote. */
export async function foundHollow(browser: Browser, hands: Hands, owner: string, mark?: string): Promise<Counter> {
  const page = await (await browser.newContext({ hasTouch: hands === 'touch' })).newPage();
  await arrive(page, '/counter');
  const counter = new Counter(page, hands);
  await counter.customer(owner);
  await counter.type('Telephone', '0555 77');
  await counter.button('Dovetail saw');
  await counter.type('Teeth', '15');
  await counter.type('Tooth line', '99.8 mm');
  await counter.choose('Soft: a file bites');
  await counter.choose('even');
  if (mark !== undefined) await counter.mark(mark);
  await counter.takeIn();
  await counter.act(page.getByRole('link', { name: 'Measure it now' }));
  await page
    .locator('input[type=file]')
    .first()
    .setInputFiles({ name: 'line.csv', mimeType: 'text/csv', buffer: Buffer.from(wornBackSawCsv()) });
  await expect(page.getByRole('row', { name: /Teeth 56/ })).toBeVisible();
  return counter;
}

/** A paper of the ticket that is open, its words without blanks. */
export const papers = async ({ page }: Counter, name: string): Promise<string> => {
  const address = new URL(page.url()).pathname.replace(/\/[a-z]+$/, '');
  return (
    await pdfText(await (await page.request.get(`/api${address.replace('ticket', 'tickets')}/${name}.pdf`)).body())
  ).replace(/\s/g, '');
};
