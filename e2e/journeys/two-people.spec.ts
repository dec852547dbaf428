import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { dossier as answered } from '@odontis/contract/dossier';
import { test } from '../fixtures/shop';
import { arrive, comeIn, expectAccessible } from '../pages/sound';

test.describe.configure({ mode: 'serial' });

interface Row {
  readonly id: number;
  readonly stage: string;
  readonly saw: string;
  readonly family: string;
}

/** A hand or back saw at a stage; of those to be measured one that nobody has begun, where there is one. */
async function firstAt(page: Page, stage: string): Promise<number> {
  await comeIn(page.context());
  const rows = (await (await page.request.get('/api/rack')).json()) as Row[];
  const found = rows.filter((row) => row.stage === stage && ['hand', 'back'].includes(row.family));
  for (const { id } of stage === 'measure' ? found : []) {
    const { sessions } = answered.parse(await (await page.request.get(`/api/tickets/${id}`)).json());
    if (sessions.length === 0) return id;
  }
  return found[0]?.id ?? 0;
}

test('the second of two editors is told, sees both versions and loses nothing', async ({ browser }) => {
  const [mine, theirs] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
  const id = await firstAt(mine, 'plan');
  for (const page of [mine, theirs]) {
    await arrive(page, `/ticket/${id}/plan`);
    await page.getByRole('button', { name: 'change' }).click();
  }
  await theirs.getByLabel('What the customer says').fill('their words');
  await theirs.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(theirs.getByLabel('What the customer says')).toHaveCount(0);
  await mine.getByLabel('What the customer says').fill('my words');
  await mine.getByRole('button', { name: 'Keep', exact: true }).click();
  const conflict = mine.getByRole('alert', { name: 'Changed by somebody else' });
  await expect(conflict.getByRole('cell', { name: 'my words' })).toBeVisible();
  await expect(conflict.getByRole('cell', { name: 'their words' })).toBeVisible();
  await conflict.getByRole('button', { name: 'Keep yours' }).click();
  await expect(conflict).toHaveCount(0);
  // The form closes when the server has it.
  await expect(mine.getByLabel('What the customer says')).toHaveCount(0);
  await theirs.reload();
  await theirs.getByRole('button', { name: 'change' }).click();
  await expect(theirs.getByLabel('What the customer says')).toHaveValue('my words');
});

test('two people keying one line: the second sees tooth by tooth what differs', async ({ browser }) => {
  const [mine, theirs] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
  const id = await firstAt(mine, 'measure');
  await arrive(mine, `/ticket/${id}/measure`);
  await arrive(theirs, `/ticket/${id}/measure`);
  const key = async (page: Page, values: string[]): Promise<void> => {
    await page.locator('#od-entry').focus();
    for (const value of values) {
      await page.keyboard.type(value);
      await page.keyboard.press('Enter');
    }
  };
  await key(theirs, ['0', '1', '2']);
  await expect(theirs.getByText('Kept.', { exact: true })).toBeVisible();
  await key(mine, ['0', '1', '3']);
  const conflict = mine.getByRole('alert', { name: 'Changed by somebody else' });
  await expect(conflict.getByRole('row', { name: /Tooth \d+ -3.0 thou -2.0 thou/ })).toBeVisible();
  await expectAccessible(mine);
  await conflict.getByRole('button', { name: 'Take theirs' }).click();
  await expect(mine.getByRole('list', { name: 'Teeth measured' }).getByRole('listitem').last()).toContainText(
    '-2.0 thou',
  );
});

test('the shop book shows a change at once everywhere, and both ways of saying an angle are taken', async ({
  browser,
}) => {
  const page = await (await browser.newContext()).newPage();
  await arrive(page, '/shopbook');
  await expectAccessible(page);
  await page.getByRole('radio', { name: 'mm', exact: true }).click();
  await expect(page.getByText('Said here: 0.102 mm of set')).toBeVisible();
  await page.getByLabel('Crosscut, hand saws fleam').fill('70 to the plate');
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Crosscut, hand saws fleam')).toHaveValue('20°');
  await page.getByLabel('Strokes a gullet').fill('9');
  await page.keyboard.press('Tab');
  await expect(page.getByText('Strokes a gullet must lie between 1 and 6')).toBeVisible();
  await expect(page.getByText('Keeping …')).toHaveCount(0);
  const id = await firstAt(page, 'plan');
  await page.goto(`/ticket/${id}/plan`);
  await expect(page.getByRole('heading', { name: /Joint [\d.]+ mm|No jointing/ })).toBeVisible();
  await page.goto('/shopbook');
  await page.getByRole('radio', { name: 'thou', exact: true }).click();
  await expect(page.getByText('Said here: 4.0 thou of set')).toBeVisible();
  await expect(page.getByText('Keeping …')).toHaveCount(0);
});

test('a saw that waits for its owner is marked so, and the rack shows those alone', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  await arrive(page);
  const id = await firstAt(page, 'measure');
  await page.goto(`/ticket/${id}/measure`);
  await page.getByRole('button', { name: 'change' }).click();
  await page.getByLabel('Waits for').click();
  await page.getByRole('option', { name: 'the customer' }).click();
  await page.getByLabel('What exactly').fill('may the toe be cut off?');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('waits for the customer may the toe be cut off?')).toBeVisible();
  await page.goto('/rack');
  await page.getByRole('link', { name: /Waiting on the customer/ }).click();
  await expect(page).toHaveURL(/show=waits-for-customer/);
  await expect(page.getByRole('link', { name: /Waiting on the customer/ })).toHaveAttribute('aria-current', 'true');
  await expect(page.locator('section li')).not.toHaveCount(0);
  for (const one of await page.locator('section li').all()) await expect(one).toContainText('waits for the customer');
  await expectAccessible(page);
});

test('dark sheet, keys and an address that is nowhere', async ({ browser }) => {
  const page = await (await browser.newContext()).newPage();
  await arrive(page);
  await page.getByRole('button', { name: 'Dark sheet' }).click();
  await expectAccessible(page);
  await page.locator('h1').click();
  await page.keyboard.press('?');
  await expect(page.getByRole('complementary', { name: 'Keys of this screen' })).toContainText('open it at its stage');
  await page.reload();
  await expect(page.getByRole('button', { name: 'Light sheet' })).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByRole('heading', { name: 'Nothing hangs on this nail' })).toBeVisible();
});
