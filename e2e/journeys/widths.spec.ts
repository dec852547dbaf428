import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import type { Dossier } from '@odontis/contract/dossier';
import type { RackRow } from '@odontis/contract/ticket';
import { test } from '../fixtures/shop';
import { arrive } from '../pages/sound';

/** Telephone, tablet standing, tablet lying, desk, large desk. */
const WIDTHS = [390, 800, 1024, 1280, 1920] as const;
type Width = (typeof WIDTHS)[number];
const heightOf = (width: Width): number => (width === 390 ? 844 : width === 800 ? 1280 : 768);

test.describe.configure({ mode: 'serial' });

/** A ticket of the demo shop for every stage, of hand and back saws and of those that go round. */
async function pagesOf(page: Page): Promise<string[]> {
  const rack = (await (await page.request.get('/api/rack')).json()) as RackRow[];
  const at = (stage: RackRow['stage']): number =>
    rack.find((row) => row.stage === stage && ['hand', 'back'].includes(row.family))?.id ?? 0;
  const round = (stage: RackRow['stage'], family: string): number =>
    rack.find((row) => row.stage === stage && row.family === family)?.id ?? 0;
  return [
    '/rack',
    '/counter',
    '/ledger',
    '/backroom',
    '/shopbook',
    '/people',
    `/ticket/${at('measure')}/measure`,
    `/ticket/${at('plan')}/plan`,
    `/ticket/${at('bench')}/bench`,
    `/ticket/${at('check')}/check`,
    `/ticket/${at('handover')}/handover`,
    `/ticket/${round('measure', 'band')}/measure`,
    `/ticket/${round('plan', 'band')}/plan`,
    `/ticket/${round('plan', 'circular')}/plan`,
    `/ticket/${round('plan', 'dado')}/plan`,
    `/ticket/${round('bench', 'band')}/bench`,
    `/ticket/${round('bench', 'dado')}/bench`,
    `/ticket/${round('check', 'circular')}/check`,
  ];
}

/** What a finger works, turned and put down beside one another, and what a mouse works. */
const SCREENS = [
  { hands: 'a finger', widths: WIDTHS.filter((width) => width < 1280) },
  { hands: 'a mouse', widths: WIDTHS.filter((width) => width >= 1280) },
] as const;

for (const { hands, widths } of SCREENS)
  test(`every page fits ${widths.join(', ')} pixels by ${hands}: nothing is cut at its side`, async ({ browser }) => {
    const viewport = (width: Width): { width: number; height: number } => ({ width, height: heightOf(width) });
    const [first] = widths;
    if (!first) throw new Error('no widths');
    const context = await browser.newContext({ viewport: viewport(first), hasTouch: hands === 'a finger' });
    const page = await context.newPage();
    await arrive(page);
    for (const path of await pagesOf(page)) {
      await page.setViewportSize(viewport(first));
      await page.goto(path);
      await expect(page.getByRole('navigation', { name: 'Shop' })).toBeVisible();
      await expect(page.locator('h1, h2, .where').first()).toBeVisible();
      for (const width of widths) {
        await page.setViewportSize(viewport(width));
        expect.soft({ path, width, ...(await cutOff(page)) }).toEqual({ path, width, wide: 0, over: [] });
      }
    }
    await context.close();
  });

/** What hangs off the page's side, once it has taken the width it was given. */
function cutOff(page: Page): Promise<{ wide: number; over: string[] }> {
  return page.evaluate(async () => {
    await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)));
    const most = document.documentElement.clientWidth;
    const cut = Array.from(document.querySelectorAll('button, a, input, textarea, select, h1, h2, p, td')).filter(
      (one) => {
        const { left, right, width: w } = one.getBoundingClientRect();
        // What scrolls in a box of its own is not cut.
        const scrolls = one.closest(
          'nav, cdk-virtual-scroll-viewport, [data-scrolls], details:not([open]) > :not(summary), .cdk-visually-hidden, .visually-hidden',
        );
        return w > 0 && !scrolls && (right > most + 1 || left < -1);
      },
    );
    return {
      wide: document.documentElement.scrollWidth - most,
      over: cut.slice(0, 5).map((one) => `${one.tagName} ${(one.textContent ?? '').trim().slice(0, 40)}`),
    };
  });
}

for (const width of [390, 800, 1024] as const)
  test(`at the vise ${width} pixels wide the finger finds Done, whole and on the screen`, async ({ browser }) => {
    const viewport = { width, height: heightOf(width) };
    const context = await browser.newContext({ viewport, hasTouch: true });
    const page = await context.newPage();
    await arrive(page);
    const rack = (await (await page.request.get('/api/rack')).json()) as RackRow[];
    const id = rack.find((row) => row.stage === 'bench')?.id ?? 0;
    const done = async (): Promise<number> =>
      ((await (await page.request.get(`/api/tickets/${id}`)).json()) as Dossier).plan?.done.length ?? -1;
    await page.goto(`/ticket/${id}/bench`);
    const button = page.getByRole('button', { name: /^Done: next/ });
    await expect(button).toBeVisible();
    const box = await button.boundingBox();
    expect(box?.x).toBeGreaterThanOrEqual(0);
    expect((box?.x ?? 0) + (box?.width ?? Infinity)).toBeLessThanOrEqual(width);
    expect((box?.y ?? 0) + (box?.height ?? Infinity)).toBeLessThanOrEqual(viewport.height);
    expect(box?.height).toBeGreaterThanOrEqual(48);
    const before = await done();
    await button.tap();
    await expect.poll(done).toBe(before + 1);
    await context.close();
  });
