import type { BrowserContext, Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { test } from '../fixtures/shop';
import { arrive } from '../pages/sound';

test.use({ serviceWorkers: 'allow' });
test.describe.configure({ mode: 'serial' });
let context: BrowserContext;
let page: Page;
/** A saw that was kept. */
let atHand = 0;
test.beforeAll(async ({ browser }) => {
  context = await browser.newContext({ serviceWorkers: 'allow' });
  page = await context.newPage();
});
test.afterAll(async () => {
  await context.close();
});

interface Row {
  readonly id: number;
  readonly stage: string;
  readonly family: string;
}

test('installed on a tablet it opens without a network, goes on at the bench and measuring, and catches up', async () => {
  await arrive(page);
  // The worker is at work once the page was loaded under it.
  await page.waitForFunction(async () => (await navigator.serviceWorker.ready).active?.state === 'activated');
  const rows = (await (await page.request.get('/api/rack')).json()) as Row[];
  const of = (stage: string): number =>
    rows.find((row) => row.stage === stage && ['hand', 'back'].includes(row.family))?.id ?? 0;
  const [bench, measure] = [of('bench'), of('measure')];
  atHand = bench;
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Rack' })).toBeVisible();
  const kept = async (id: number): Promise<boolean> =>
    page.evaluate(
      async (url) => (await caches.match(new URL(url, location.href).href)) !== undefined,
      `/api/tickets/${id}`,
    );
  for (const id of [bench, measure]) await expect.poll(() => kept(id), { timeout: 30_000 }).toBe(true);
  const doneOf = async (): Promise<number> => {
    const answer = (await (await page.request.get(`/api/tickets/${bench}`)).json()) as { plan: { done: number[] } };
    return answer.plan.done.length;
  };
  const before = await doneOf();

  await context.setOffline(true);
  await page.goto('/rack');
  await expect(page.getByText(/saws in the shop/)).toBeVisible();
  await page.goto(`/ticket/${bench}/bench`);
  const stop = page.getByText(/stop \d+ of \d+/);
  await expect(stop).toBeVisible();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Space');
  await expect(page.getByText(/steps are kept here/).first()).toBeVisible();
  await page.goto(`/ticket/${measure}/measure`);
  await page.locator('#od-entry').fill('0');
  await page.locator('#od-entry').press('Enter');
  await page.locator('#od-entry').fill('2');
  await page.locator('#od-entry').press('Enter');

  await context.setOffline(false);
  await expect(page.getByText('Kept.', { exact: true })).toBeVisible({ timeout: 20_000 });
  await page.goto(`/ticket/${bench}/bench`);
  await expect.poll(doneOf, { timeout: 20_000 }).toBe(before + 3);
  // Sent once: a while later it is still so.
  await page.reload();
  await expect(stop).toBeVisible();
  expect(await doneOf()).toBe(before + 3);
});

test('who signs out leaves nothing to be read', async () => {
  await page.goto('/rack');
  await page.getByLabel('Who is at the screen').click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await expect(page.getByRole('heading', { name: 'A shop to look at' })).toBeVisible();
  const kept = (url: string): Promise<boolean> =>
    page.evaluate(async (at) => (await caches.match(new URL(at, location.href).href)) !== undefined, url);
  for (const url of ['/api/rack', '/api/people', `/api/tickets/${atHand}`])
    await expect.poll(() => kept(url), { timeout: 10_000 }).toBe(false);
});
