import { expect } from '@playwright/test';
import { dossier as answered } from '@odontis/contract/dossier';
import { test } from '../fixtures/shop';
import { arrive, comeIn, expectAccessible } from '../pages/sound';

test('a file comes into the Store, is planned with, wears at the vise, and is short when orders want more of it', async ({
  page,
  context,
}) => {
  await comeIn(context);
  await arrive(page, '/store');
  await expect(page.getByRole('heading', { name: 'The Store' })).toBeVisible();
  const card = (name: string) =>
    page.locator('od-file-card').filter({ has: page.getByRole('heading', { name, exact: true }) });
  await expect(card('6 in slim taper')).toContainText('± 39 strokes a corner, from 5 worn out here');
  await expectAccessible(page);

  // What an order asks for and nobody wrote down.
  await expect(page.locator('.buy')).toContainText('10 in regular taper Buy');
  await page.getByRole('button', { name: '10 in regular taper' }).click();
  await page.locator('od-tool-form').getByLabel('Pieces', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Into the Store' }).click();
  await expect(card('10 in regular taper')).toContainText('6 corners left, 2 new files');
  await expect(page.locator('.buy')).toHaveCount(0);

  // Counted, and there were none: it is short again.
  await card('10 in regular taper').getByText('Pieces, and what it is called').click();
  await card('10 in regular taper').getByRole('textbox', { name: 'Pieces' }).fill('0');
  await card('10 in regular taper').getByRole('button', { name: 'Counted' }).click();
  await expect(page.locator('.buy')).toContainText('10 in regular taper Buy');

  // A plan says what it wears and what is free; the order keeps it.
  const rows = (await (await context.request.get('/api/rack')).json()) as {
    id: number;
    stage: string;
    family: string;
  }[];
  const planned = rows.find((row) => row.stage === 'plan' && row.family === 'crosscut')?.id ?? 0;
  await arrive(page, `/ticket/${planned}/plan`);
  const files = page.locator('od-files-wanted');
  await expect(files).toContainText(/\d+ strokes, [\d.]+ corners?\. [\d.]+ corners free there\./);
  const name = (await files.locator('strong').first().innerText()).trim();
  await page
    .locator('button.accept, button', { hasText: /and tune|sharpen/i })
    .first()
    .click();
  await expect(page.locator('od-bench-page .where')).toBeVisible();
  await arrive(page, '/store');
  await expect(card(name)).toContainText(new RegExp(`Kept for .*${planned} \\(`));

  // At the vise the corner in hand is told, wears with every gullet, and is turned there.
  let bench = 0;
  for (const { id } of rows.filter((row) => row.stage === 'bench')) {
    const { plan } = answered.parse(await (await context.request.get(`/api/tickets/${id}`)).json());
    const walk = (plan?.order.steps ?? []).flatMap((step) => step.stops.map(() => step.tool));
    const place = walk.findIndex((_, index) => !plan?.done.includes(index));
    // Somebody of the demo has its second corner in hand.
    if (walk[place] === '5 in double extra slim taper' && walk[place + 1] === walk[place]) bench = id;
  }
  await arrive(page, `/ticket/${bench}/bench`);
  const sign = page.locator('od-corner-sign');
  await expect(sign).toContainText('Corner 2 of 3 of your');
  const made = async (): Promise<number> => Number(/: (\d+) of some/.exec(await sign.innerText())?.[1]);
  const before = await made();
  const strokes = Number(/(\d+) stroke/.exec(await page.locator('od-bench-page .strokes').first().innerText())?.[1]);
  await page.keyboard.press('PageDown');
  await expect.poll(made).toBe(before + strokes);
  await sign.getByRole('button', { name: 'Turned to the next corner' }).click();
  await expect(sign).toContainText('Corner 3 of 3');
  await expect.poll(made).toBe(0);
});
