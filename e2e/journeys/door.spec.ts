import type { BrowserContext, Page } from '@playwright/test';
import { expect, test } from '@playwright/test';
import { ShopServer } from '../fixtures/shop-server';
import { Counter } from '../pages/counter';
import { expectAccessible } from '../pages/sound';

const server = new ShopServer('own');
const PASSWORD = 'a rusty kettle sings';
const CODE = '2749';

test.describe.configure({ mode: 'serial' });
let office: BrowserContext;
let screen: Page;
test.beforeAll(async ({ browser }) => {
  test.setTimeout(240_000);
  await server.start();
  office = await browser.newContext();
  screen = await office.newPage();
});
test.afterAll(async () => {
  await office.close();
  await server.stop();
});

const who = (page: Page) => page.getByLabel('Who is at the screen');

test('the first start makes the shop’s owner, who chooses a code and adds a filer', async () => {
  await screen.goto('/rack');
  await expect(screen.getByRole('heading', { name: 'Open this shop' })).toBeVisible();
  await expectAccessible(screen);
  await screen.getByLabel('Your name').fill('Wren Ashby');
  await screen.getByLabel('Initials').fill('WA');
  await screen.getByLabel(/^Password/).fill('short');
  await screen.getByRole('button', { name: 'Open the shop' }).click();
  await expect(screen.getByRole('alert')).toContainText('12 signs at least');
  await screen.getByLabel(/^Password/).fill(PASSWORD);
  await screen.getByRole('button', { name: 'Open the shop' }).click();
  await expect(who(screen)).toHaveText('Wren Ashby');
  await screen.getByRole('link', { name: 'People' }).click();
  const code = screen.getByRole('form', { name: 'Code' });
  await code.getByLabel('Your own password').fill(PASSWORD);
  await code.getByLabel(/^New code/).fill(CODE);
  await code.getByRole('button', { name: 'Keep' }).click();
  await expect(code.getByText('Kept.')).toBeVisible();
  const add = screen.locator('form.new');
  await add.getByLabel('Name').fill('Bram Teunissen');
  await add.getByLabel('Initials').fill('BT');
  await add.getByRole('button', { name: 'Add' }).click();
  const card = screen.locator('od-person-card', { hasText: 'Bram Teunissen' });
  await card.getByRole('button', { name: 'Choose a password' }).click();
  await card.getByLabel('Your own password').fill(PASSWORD);
  await card.getByLabel(/^New password/).fill('wet stones and oil');
  await card.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(card.getByText('filer · password')).toBeVisible();
  await expectAccessible(screen);
});

test('a second screen is let in by name and password; a saw begun at one is gone on with at the other', async ({
  browser,
}) => {
  // Taken in at the office.
  const counter = new Counter(screen, 'keyboard');
  await screen.goto('/counter');
  await counter.customer('Adaeze Nwokolo');
  await counter.button(/^Dovetail saw/);
  await counter.choose('Soft: a file bites');
  await counter.takeIn();
  await counter.act(screen.getByRole('link', { name: 'Measure it now' }));
  await expect(screen).toHaveURL(/ticket\/\d+\/measure/);
  const at = new URL(screen.url()).pathname;
  const vise = await browser.newContext({ hasTouch: true, viewport: { width: 800, height: 1280 } });
  const tablet = await vise.newPage();
  await tablet.goto(at);
  await expect(tablet.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  // Strangers see nobody's name.
  await expect(tablet.getByText('Wren')).toHaveCount(0);
  await tablet.getByLabel('Your name').fill('bram teunissen');
  await tablet.getByLabel('Password').fill('not at all');
  await tablet.getByRole('button', { name: 'Sign in' }).click();
  await expect(tablet.getByRole('alert')).toContainText('do not fit together');
  await tablet.getByLabel('Password').fill('wet stones and oil');
  await tablet.getByLabel('What this screen is called').fill('Tablet at the vise');
  await tablet.getByRole('button', { name: 'Sign in' }).click();
  // At the page it was opened for.
  await expect(who(tablet)).toHaveText('Bram Teunissen');
  await expect(tablet).toHaveURL(at);
  for (const value of ['0', '-1', '-2', '-1']) {
    await tablet.locator('#od-entry').fill(value);
    await tablet.locator('#od-entry').press('Enter');
  }
  await expect(tablet.getByText('Kept.', { exact: true })).toBeVisible();
  await screen.reload();
  await expect(screen.getByRole('listitem').nth(2)).toContainText('2.0 thou');
  await screen.goto('/people');
  await expect(screen.getByText('Tablet at the vise').first()).toBeVisible();
  await expect(screen.locator('od-changes-panel')).toContainText('a screen let in');
  await vise.close();
});

for (const hands of ['keyboard', 'touch'] as const)
  test(`at the shared screen one changes over by ${hands}, and the page stays where it was`, async ({ browser }) => {
    const shared = await browser.newContext({ hasTouch: hands === 'touch' });
    const page = await shared.newPage();
    const hand = new Counter(page, hands);
    await page.goto('/rack');
    await page.getByLabel('Your name').fill('Bram Teunissen');
    await page.getByLabel('Password').fill('wet stones and oil');
    await hand.button('Sign in');
    await expect(who(page)).toHaveText('Bram Teunissen');
    await page
      .getByRole('link', { name: /Dovetail/ })
      .first()
      .click();
    await page.locator('#od-entry').fill('7');
    const before = page.url();
    await hand.act(who(page));
    await hand.button(/Wren Ashby/);
    await expect(page.getByRole('button', { name: 'OK' })).toBeVisible();
    if (hands === 'keyboard') await page.keyboard.type(CODE);
    else for (const digit of CODE) await page.getByRole('button', { name: digit, exact: true }).tap();
    if (hands === 'keyboard') {
      await page.locator('h1').first().click();
      await page.keyboard.press('Enter');
    } else await page.getByRole('button', { name: 'OK' }).tap();
    await expect(who(page)).toHaveText('Wren Ashby');
    expect(page.url()).toBe(before);
    await expect(page.locator('#od-entry')).toHaveValue('7');
    // Locked, nothing of the page is to be seen; let in again, it is as it was.
    await hand.act(who(page));
    await hand.button('Lock this screen');
    await expect(page.getByRole('heading', { name: 'Who is at the screen?' })).toBeVisible();
    await expect(page.locator('#od-entry')).toBeHidden();
    await expectAccessible(page);
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Who is at the screen?' })).toBeVisible();
    await hand.button(/Bram Teunissen/);
    await page.getByLabel('Password').fill('wet stones and oil');
    await hand.button('Go on');
    await expect(who(page)).toHaveText('Bram Teunissen');
    expect(page.url()).toBe(before);
    await shared.close();
  });
