import type { Locator, Page } from '@playwright/test';
import { expect } from '@playwright/test';

/** How a person works the counter: with the keyboard alone, or with a finger. */
export type Hands = 'keyboard' | 'touch';

/** The counter as a person at it sees it. */
export class Counter {
  constructor(
    readonly page: Page,
    readonly hands: Hands,
  ) {}

  /** A button, a choice or a box, pressed the way these hands do. */
  async act(target: Locator, key = 'Enter'): Promise<void> {
    await expect(target).toBeVisible();
    // What is not ready yet is waited for, as a person would.
    await expect(target).toBeEnabled();
    if (this.hands === 'touch') await target.tap();
    else {
      await target.focus();
      await this.page.keyboard.press(key);
    }
  }

  button = (name: string | RegExp): Promise<void> => this.act(this.page.getByRole('button', { name }).first());
  choose = (name: string): Promise<void> => this.act(this.page.getByRole('radio', { name, exact: true }), ' ');
  tick = (name: RegExp): Promise<void> => this.act(this.page.getByRole('checkbox', { name }), ' ');

  /** What a cut showed, said word by word: nothing of it is looked at before. */
  async saw(...words: string[]): Promise<void> {
    const looks = this.page.locator('od-check-page .looks').first();
    for (const name of words) {
      const word = looks.getByRole('button', { name, exact: true });
      if ((await word.getAttribute('aria-pressed')) !== 'true') await this.act(word);
    }
  }

  async type(label: string | RegExp, text: string): Promise<void> {
    const field = this.page.getByLabel(label, typeof label === 'string' ? { exact: true } : {}).first();
    // An empty field wears its label over itself: a finger lands on that, and the field is in focus all the same.
    // What was kept a moment ago may still move the page under the finger: then it taps again.
    await expect(async () => {
      if (this.hands === 'touch') await field.tap({ force: true });
      else await field.focus();
      await expect(field).toBeFocused({ timeout: 1000 });
    }).toPass({ timeout: 20_000 });
    // Letter by letter, as a person types: a page that takes the focus away between two letters loses one.
    await field.fill('');
    await this.page.keyboard.type(text);
    await expect(field).toHaveValue(text);
  }

  async customer(name: string): Promise<void> {
    await this.page.getByRole('combobox', { name: 'Customer, by name, telephone or saw' }).fill(name);
  }

  /** Marks are put from the row over the picture. */
  mark = (name: string): Promise<void> =>
    this.act(
      this.page.getByRole('group', { name: 'Put a mark on the plate' }).getByRole('button', { name, exact: true }),
    );

  verdict = (): Locator => this.page.locator('od-verdict-slip h2');
  reasons = (): Locator => this.page.locator('od-verdict-slip li');

  async takeIn(button: RegExp = /^Take it in and hang a tag/): Promise<number> {
    await this.button(button);
    const heading = this.page.getByRole('heading', { name: /no\. \d+/ });
    await expect(heading).toBeVisible();
    return Number(/no\. (\d+)/.exec(await heading.innerText())?.[1]);
  }

  async decline(): Promise<number> {
    return this.takeIn(/^Decline it/);
  }

  another = (): Promise<void> => this.button(/^Another saw of/);
  next = (): Promise<void> => this.button('Next customer');
}
