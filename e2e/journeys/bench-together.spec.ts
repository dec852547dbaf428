import { dossier as answered } from '@odontis/contract/dossier';
import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { test } from '../fixtures/shop';
import { arrive, comeIn, expectAccessible } from '../pages/sound';

test('two saws of one round take turns by the operation, and two people file one saw from its two sides', async ({
  page,
  context,
  browser,
}) => {
  await comeIn(context);
  const rows = (await (await context.request.get('/api/rack')).json()) as {
    id: number;
    stage: string;
    family: string;
  }[];
  const dossierOf = async (id: number) =>
    answered.parse(await (await context.request.get(`/api/tickets/${id}`)).json());

  // Two saws are planned and come to the bench together, each at its first operation.
  const ids = rows.filter((row) => row.stage === 'plan' && ['hand', 'back'].includes(row.family)).map(({ id }) => id);
  const pair = ids.slice(0, 2);
  expect(pair.length).toBe(2);
  for (const id of pair) {
    await arrive(page, `/ticket/${id}/plan`);
    await page
      .getByRole('button', { name: /^(Joint .* and tune|Sharpen)/ })
      .first()
      .click();
    await expect(page.locator('od-bench-page .where')).toBeVisible();
  }
  const [first, second] = await Promise.all(pair.map(dossierOf));
  if (!first || !second) throw new Error('No pair.');
  await arrive(page, `/ticket/${first.ticket.id}/bench`);
  await page.getByText('Several saws at once').click();
  await page.getByRole('checkbox', { name: new RegExp(`${second.ticket.number}`) }).check();
  await expect(page.getByRole('list', { name: 'Saws of this round' })).toContainText(String(second.ticket.number));
  await expectAccessible(page);
  const kindOf = (of: typeof first): string => of.plan?.order.steps[0]?.kind ?? '';
  expect(kindOf(first)).toBe(kindOf(second));
  await page.keyboard.press('PageDown');
  await expect(page.locator('main .moment')).toContainText(`${second.ticket.number}`);
  await page.keyboard.press('PageDown');
  await expect(page).toHaveURL(new RegExp(`/ticket/${second.ticket.id}/bench`));
  await expect(page.locator('od-bench-page .where')).toBeVisible();
  // Both have had the first operation: the next begins with the saw in the vise, then comes the other with its place.
  await page.keyboard.press('PageDown');
  await expect.poll(async () => (await dossierOf(second.ticket.id)).plan?.done).toEqual([0]);
  await expect(page.locator('main .moment')).toBeHidden();
  await page.keyboard.press('PageDown');
  await expect(page.locator('main .moment')).toContainText(`${first.ticket.number}`);
  expect((await dossierOf(first.ticket.id)).plan?.done).toEqual([0]);
  await page.keyboard.press('PageDown');
  await expect(page).toHaveURL(new RegExp(`/ticket/${first.ticket.id}/bench`));
  await expect(page.locator('main .moment')).toBeHidden();

  // Each by itself again; then on to a step that is worked from the left and from the right.
  await page.getByText('Several saws at once').click();
  await page.getByRole('checkbox', { name: new RegExp(`${second.ticket.number}`) }).uncheck();
  await expect(page.getByRole('list', { name: 'Saws of this round' })).toBeHidden();
  const { id } = first.ticket;
  const steps = first.plan?.order.steps ?? [];
  const sidedStep = steps.findIndex((step) => step.side !== null);
  const kind = steps[sidedStep]?.kind;
  const before = steps.slice(0, sidedStep).reduce((sum, step) => sum + step.stops.length, 0);
  const stopsOn = (side: string): number =>
    steps.filter((step) => step.kind === kind && step.side === side).reduce((sum, step) => sum + step.stops.length, 0);
  expect(Math.min(stopsOn('left'), stopsOn('right'))).toBeGreaterThan(5);
  for (let i = 1; i < before; i++) await page.keyboard.press('PageDown');
  await expect.poll(async () => (await dossierOf(id)).plan?.done.length).toBe(before);
  const stand = async (at: Page, side: 'Left' | 'Right'): Promise<void> => {
    await arrive(at, `/ticket/${id}/bench`);
    await at.getByText('Two at this saw').click();
    await at.getByRole('radio', { name: side }).click();
  };
  const beside = await browser.newContext();
  await comeIn(beside, 2);
  const other = await beside.newPage();
  await stand(page, 'Left');
  await stand(other, 'Right');
  const whereOf = (at: Page): Promise<string> => at.locator('od-bench-page .where').innerText();
  const [mine, theirs] = await Promise.all([whereOf(page), whereOf(other)]);
  expect(mine).not.toBe(theirs);
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press('PageDown');
    await other.keyboard.press('PageDown');
  }
  await expect.poll(async () => (await dossierOf(id)).plan?.done.length).toBe(before + 6);
  // One goes on to the end of their side, and waits for the other.
  for (let i = 3; i < stopsOn('left'); i++) await page.keyboard.press('PageDown');
  await expect(page.locator('main .moment').first()).toContainText('Your side is done; the other still has');
  await beside.close();
});
