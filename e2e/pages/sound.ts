import { AxeBuilder } from '@axe-core/playwright';
import type { BrowserContext, Page } from '@playwright/test';
import { expect } from '@playwright/test';

/** Nothing that the accessibility checker holds against this screen. */
export async function expectAccessible(page: Page): Promise<void> {
  // The pages have no frames of their own, and only what is wrong is asked for: half the time.
  const found = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({
      runOnly: { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'] },
      resultTypes: ['violations'],
    })
    .analyze();
  expect(
    found.violations.map(
      (v) => `${v.id}: ${v.nodes.map((n) => `${n.target.join(' ')} ${n.failureSummary ?? ''}`).join(' | ')}`,
    ),
  ).toEqual([]);
}

/** Come into the demo, once a browser. */
export async function arrive(page: Page, path = '/rack'): Promise<void> {
  await page.goto(path);
  const chooser = page.getByRole('button', { name: 'Maren Skerrow owner' });
  const here = page.getByLabel('Who is at the screen');
  await expect(chooser.or(here)).toBeVisible();
  if (await chooser.isVisible()) {
    await chooser.focus();
    await page.keyboard.press('Enter');
    await expect(here).toBeVisible();
  }
}

/** Come into the demo without a page, so that its records can be asked for. */
export async function comeIn(context: BrowserContext, personId = 1): Promise<void> {
  expect((await context.request.post('/api/door/demo', { data: { personId } })).status()).toBe(200);
}

/** Put focus on something by its role and press a key: no mouse. */
export async function press(
  page: Page,
  role: Parameters<Page['getByRole']>[0],
  name: string | RegExp,
  key = 'Enter',
): Promise<void> {
  const target = page.getByRole(role, { name }).first();
  await target.focus();
  await page.keyboard.press(key);
}
