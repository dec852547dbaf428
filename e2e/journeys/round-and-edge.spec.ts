import { join } from 'node:path';
import { expect } from '@playwright/test';
import { dossier as answered } from '@odontis/contract/dossier';
import type { Dossier } from '@odontis/contract/dossier';
import { test } from '../fixtures/shop';
import { arrive, comeIn, expectAccessible } from '../pages/sound';

/** Made by tools/demo-pictures.ts, smaller. */
const picture = (name: string): string => join(import.meta.dirname, '../fixtures', name);

test('a blade among its round strips and a saw along its points are measured from pictures, which stay with the ticket', async ({
  context,
  page,
}) => {
  await comeIn(context);
  await arrive(page);
  const { request } = page;
  const rows = (await (await request.get('/api/rack')).json()) as { id: number }[];
  const kept = async (id: number): Promise<Dossier> =>
    answered.parse(await (await request.get(`/api/tickets/${id}`)).json());
  const measured = await Promise.all(rows.map(async ({ id }) => kept(id)));
  const withPicture = (family: string): Dossier => {
    const found = measured.find(
      (d) => d.saw.family === family && d.ticket.stage === 'measure' && d.photographs.length > 0,
    );
    if (!found) throw new Error(`no ${family} saw measured from a picture`);
    return found;
  };

  const blade = withPicture('circular');
  await page.goto(`/ticket/${blade.ticket.id}/measure`);
  await page.getByRole('radio', { name: 'From a picture' }).click();
  const strips = page.getByRole('link', { name: 'Round strips, A4, sheet 1' });
  const sheet = await request.get((await strips.getAttribute('href')) ?? '');
  expect(sheet.headers()['content-type']).toContain('pdf');
  await expectAccessible(page);
  await page.locator('od-trace-panel input[type=file]').setInputFiles(picture('blade-among-strips.jpg'));
  await expect(page.getByText('the bore, known to')).toBeVisible({ timeout: 90_000 });
  // The count begins where somebody says; undo puts it back.
  const canvas = page.locator('canvas[role=application]');
  await canvas.press('ArrowRight');
  await canvas.press('ArrowRight');
  await page.getByRole('button', { name: 'This is tooth 1' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Take these 50 teeth' }).click();
  await expect
    .poll(async () => {
      const { sessions, photographs } = await kept(blade.ticket.id);
      const readings = sessions.at(-1)?.readings ?? [];
      const of = (quantity: string): number => readings.filter((r) => r.quantity === quantity).length;
      return [of('runout'), of('face-line') > 40, photographs.length];
    })
    .toEqual([50, true, blade.photographs.length + 1]);

  // The shop has measured two printers: pictures are laid by the one whose strips they show.
  await page.goto('/shopbook');
  const printers = page.locator('od-strip-printers');
  for (const [name, along, across] of [
    ['Office', '240', '150'],
    ['Workshop', '250', '156.25'],
  ] as const) {
    const added = printers.locator('form');
    await added.getByLabel('Another printer').fill(name);
    await added.getByLabel('Ruler of 240 mm').fill(along);
    await added.getByLabel('Ruler of 150 mm').fill(across);
    await added.getByRole('button', { name: 'Add it as measured' }).click();
    await expect(printers.getByRole('button', { name: `Take ${name} out` })).toBeVisible();
  }
  await expect(page.getByText('Keeping …')).toHaveCount(0);

  const saw = withPicture('hand');
  await page.goto(`/ticket/${saw.ticket.id}/measure`);
  await page.getByRole('radio', { name: 'From a picture' }).click();
  await page.getByRole('radio', { name: 'Set, along the points' }).click();
  await page.locator('od-edge-panel input[type=file]').setInputFiles(picture('along-the-points.jpg'));
  await expect(page.getByText(/36 teeth seen along the points/)).toBeVisible({ timeout: 60_000 });
  const said = page.getByText(/teeth seen along the points/);
  const office = (await said.textContent()) ?? '';
  const printedOn = async (name: string): Promise<void> => {
    await page.getByRole('combobox', { name: 'Strips printed on' }).click();
    await page.getByRole('option', { name }).click();
  };
  await expect(page.getByText(/Nobody has measured this printer’s rulers/)).toHaveCount(0);
  // Strips that came out longer stand for more: the lens was further off.
  await printedOn('Workshop');
  await expect(said).toBeVisible({ timeout: 60_000 });
  await expect(said).not.toHaveText(office);
  await printedOn('another printer, not measured');
  await expect(said).toHaveText(office, { timeout: 60_000 });
  await expect(page.getByText(/Nobody has measured this printer’s rulers/)).toBeVisible();
  await page.getByLabel('First tooth from the heel').fill('0');
  await page.getByRole('button', { name: 'Count from it' }).click();
  await expect(page.getByText('"0" is no tooth’s number')).toBeVisible();
  await page.getByLabel('First tooth from the heel').fill('41');
  await page.getByRole('button', { name: 'Count from it' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take the set of these 36 teeth' }).click();
  await expect
    .poll(async () => {
      const { sessions, photographs } = await kept(saw.ticket.id);
      const readings = sessions.at(-1)?.readings ?? [];
      const places = readings.flatMap((r) => (r.quantity === 'set' && !r.setAside ? [r.place] : []));
      const leans = readings.filter((r) => r.quantity === 'lean').length;
      return [Math.min(...places), Math.max(...places), leans, photographs.length];
    })
    .toEqual([41, 76, 36, saw.photographs.length + 1]);
  // The line measured before stands, with the set that was seen since.
  await expect(page.getByRole('button', { name: 'Measured: plan the work' })).toBeEnabled();
  // Other journeys begin in a shop that has measured none.
  await page.goto('/shopbook');
  for (const name of ['Office', 'Workshop']) {
    await printers.getByRole('button', { name: `Take ${name} out` }).click();
    await expect(printers.getByRole('button', { name: `Take ${name} out` })).toHaveCount(0);
  }
  await expect(page.getByText('Keeping …')).toHaveCount(0);
});
