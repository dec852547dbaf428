import type { Locator } from '@playwright/test';
import { expect } from '@playwright/test';
import type { Counter } from './counter';

/** The bench as a person at the vise works it. */
export class Bench {
  readonly done: Locator;
  readonly place: Locator;
  readonly finished: Locator;

  constructor(readonly counter: Counter) {
    const { page } = counter;
    this.done = page.getByRole('button', { name: /^Done: next/ });
    this.place = page.getByText(/stop \d+ of \d+/);
    this.finished = page.getByText('All done at the vise');
  }

  /** Stops from the one in hand to the last. */
  async left(): Promise<number> {
    const [, here, all] = /stop (\d+) of (\d+)/.exec(await this.place.innerText()) ?? [];
    return Number(all) - Number(here) + 1;
  }

  /** One stop done: by the key, or by the finger where the button is now. */
  async press(): Promise<void> {
    const { page, hands } = this.counter;
    if (hands === 'keyboard') return page.keyboard.press('Space');
    // What stands over the saw may push the button below the fold: a finger scrolls there.
    if (await this.done.isVisible()) await this.done.scrollIntoViewIfNeeded();
    const box = await this.done.boundingBox();
    if (box) await page.touchscreen.tap(box.x + box.width / 2, box.y + box.height / 2);
  }

  /** So many stops done, each seen to be done before the next. */
  async steps(stops: number): Promise<void> {
    for (let i = 0; i < stops; i++) {
      const here = await this.place.innerText();
      await this.press();
      await expect(this.place.filter({ hasText: here })).toBeHidden();
    }
  }

  /** A plan over what was quoted: the customer says yes on the telephone, and it is written down. */
  async agreed(): Promise<void> {
    const { page } = this.counter;
    const ask = page.locator('od-price-ask');
    if (!(await ask.isVisible())) return;
    await this.counter.choose('they said yes');
    await this.counter.choose('by telephone');
    await this.counter.button('Write the answer down');
    await expect(ask).toBeHidden();
  }

  /** Every stop from here to the last, as fast as hands go. */
  async walk(): Promise<void> {
    await this.agreed();
    // A button that moved away under the finger was missed: what is left then is pressed for once more.
    for (let i = 0; i < 3 && !(await this.finished.isVisible()); i++) {
      for (let left = await this.left(); left > 0; left--) await this.press();
      await this.finished.waitFor({ timeout: 2_000 }).catch(() => undefined);
    }
    await expect(this.finished).toBeVisible();
  }
}
