import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { dossier as answered } from '@odontis/contract/dossier';
import type { Dossier } from '@odontis/contract/dossier';
import type { RackRow } from '@odontis/contract/ticket';
import { outworkAmount } from '@odontis/contract/outwork';
import { pdfText } from '../fixtures/pdf-text';
import { test } from '../fixtures/shop';
import { Bench } from '../pages/bench';
import type { Counter } from '../pages/counter';
import { foundHollow } from '../pages/found-hollow';
import { arrive, expectAccessible } from '../pages/sound';

const idOf = (page: Page): string => /ticket\/(\d+)/.exec(page.url())?.[1] ?? '';
const kept = async (page: Page, id = idOf(page)): Promise<Dossier> =>
  answered.parse(await (await page.request.get(`/api/tickets/${id}`)).json());

/** At the bench, agreed to, and so many stops done. */
async function atStop({ page }: Counter, bench: Bench, stops: number): Promise<void> {
  await bench.counter.button('Measured: plan the work');
  await bench.counter.button(/^Joint .* and tune$/);
  await expect(page).toHaveURL(/\/bench$/);
  await bench.agreed();
  await bench.steps(stops);
}

test('a mind changed at stop 40: stopped for the day, planned again deeper from there, what was made stays made', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const counter = await foundHollow(browser, 'keyboard', 'Petra Nwosu');
  const { page } = counter;
  const bench = new Bench(counter);
  await atStop(counter, bench, 40);
  await page.getByText('Stop for today, another file').click();
  await counter.type('To remember, if anything', 'the owner telephoned');
  await counter.button('Stop here for today');
  await expect(page.getByText('Kept: you stopped here.')).toBeVisible();
  await expect.poll(async () => (await kept(page)).plan?.stopped.length).toBe(1);
  await page.reload();
  await expect(page.getByText(/stopped at stop 41 on .*: the owner telephoned/)).toBeVisible();
  const before = (await kept(page)).plan;
  expect(before?.done.length).toBe(40);
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await counter.button('Plan it again');
  await expect(page.getByText(/Planned from where it is now: it is jointed .* and stays so/)).toBeVisible();
  await expectAccessible(page);
  await counter.act(page.getByRole('button', { name: /^(Joint .* and tune|Go on with what is left)/ }));
  await expect(page).toHaveURL(/\/bench$/);
  const now = await kept(page);
  expect(now.earlier.length).toBe(1);
  expect(now.earlier[0]?.order).toEqual(before?.order);
  const kinds = (of: Dossier['plan']): string[] => of?.order.steps.map((step) => step.kind) ?? [];
  expect(kinds(before)).toContain('joint');
  expect(kinds(now.plan)).not.toContain('joint');
  expect(now.plan?.order.strokes).toBeLessThan(before?.order.strokes ?? 0);
  expect(now.plan?.done).toEqual([]);
  await page.context().close();
});

test('a wrong reading and a wrong plate are found after the order was accepted: put right, said, and planned again', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const counter = await foundHollow(browser, 'keyboard', 'Anselm Duarte');
  const { page } = counter;
  const bench = new Bench(counter);
  await atStop(counter, bench, 2);
  // A finger on the drawing goes to that tooth, of the step in hand or the next that goes tooth by tooth.
  const canvas = page.locator('od-saw-line canvas');
  const box = await canvas.boundingBox();
  const was = await bench.place.innerText();
  await canvas.click({ position: { x: (box?.width ?? 0) * 0.8, y: (box?.height ?? 0) * 0.45 } });
  await expect(bench.place).not.toHaveText(was);
  await page.getByRole('link', { name: 'Measure', exact: true }).click();
  await page.getByRole('combobox', { name: 'What was read' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('option', { name: 'Height', exact: true }).click();
  await counter.type('At tooth', '20');
  await expect(page.getByText(/^Now: .* thou/)).toBeVisible();
  await counter.choose('it is');
  await counter.type('It is, thou', '-9');
  await counter.button('Put it right');
  await expect(page.getByRole('alert')).toContainText('Write why');
  await counter.type('Why', 'a chip lay under the edge');
  await counter.button('Put it right');
  await expect(
    page.getByText(/Height at 20: .* before, -9.00 thou now, .*\(a chip lay under the edge\)/),
  ).toBeVisible();
  await expect(page.getByText('The order stands on the old value')).toBeVisible();
  await expectAccessible(page);
  await counter.button('saw data');
  await counter.type('Plate thickness', '0.019in');
  await counter.button('Put it right');
  await expect(page.locator('od-saw-data').getByRole('alert')).toContainText('Write why it is put right');
  await counter.type('Why it is put right', 'miked at three places');
  await page.locator('od-saw-data').getByRole('button', { name: 'Put it right' }).click();
  await expect(page.getByText('Its data were put right once')).toBeVisible();
  const corrected = await kept(page);
  expect(corrected.saw).toEqual(nearly({ ...corrected.saw, plateThicknessMm: 0.4826 }));
  expect(Object.keys(corrected.corrections[0]?.after ?? {})).toEqual(['plateThicknessMm']);
  await page.getByRole('link', { name: 'Plan again from here' }).click();
  await counter.button('Plan it again');
  await counter.act(page.getByRole('button', { name: /^(Joint .* and tune|Go on with what is left)/ }));
  await expect(page).toHaveURL(/\/bench$/);
  await expect(page.getByText('The order stands on the old value')).toBeHidden();
  await page.context().close();
});

/** A number to four places: what was typed in inches is kept in mm. */
const nearly = <T extends { plateThicknessMm: number }>(saw: T): T => ({
  ...saw,
  plateThicknessMm: expect.closeTo(saw.plateThicknessMm, 4) as unknown as number,
});

/** Waits for the grinder, and goes to the second of the book. */
async function sendOut(page: Page, work: string): Promise<void> {
  const panel = page.locator('od-outwork-panel');
  await page.getByRole('button', { name: 'change' }).click();
  await page.getByRole('combobox', { name: 'Waits for' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('option', { name: 'the grinder' }).click();
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await page.getByRole('combobox', { name: 'Send it to' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('option', { name: /^Quayside Tool Grinding/ }).click();
  await expect(panel.getByLabel(/^Their price/)).not.toHaveValue('');
  await panel.getByLabel('What is to be done').fill(work);
  await panel.getByRole('button', { name: 'Sent: it is away' }).click();
}

test('a blade at the grinder comes back, its price enters the chain, and it is sent once more with its note', async ({
  browser,
}) => {
  const page = await (await browser.newContext()).newPage();
  await arrive(page);
  const rack = (await (await page.request.get('/api/rack')).json()) as RackRow[];
  let id = 0;
  for (const row of rack.filter((one) => one.family === 'circular' && one.stage === 'measure'))
    if (id === 0 && (await kept(page, String(row.id))).outwork.length > 0) id = row.id;
  await page.goto(`/ticket/${id}/measure`);
  const panel = page.locator('od-outwork-panel');
  // Another journey of this shop may have taken it back: then it goes again.
  if ((await kept(page, String(id))).outwork.every((one) => one.back !== null)) await sendOut(page, 'ground');
  await expect(panel).toContainText('to be back');
  await expect(page.getByText(/Nothing is done of it here until it is back/)).toBeVisible();
  await expect(page.locator('od-gauge-desk')).toBeHidden();
  await expectAccessible(page);
  const note = await page.request.get(
    (await panel.getByRole('link', { name: 'delivery note' }).getAttribute('href')) ?? '',
  );
  const words = (await pdfText(await note.body())).replace(/\s/g, '');
  const was = await kept(page, String(id));
  expect(words).toContain(`Deliverynote${was.ticket.number}-${was.outwork.length}`);
  expect(words).not.toContain(was.customer.name.replace(/\s/g, ''));
  await panel.getByRole('button', { name: 'It is back' }).click();
  await expect(panel.getByRole('alert')).toContainText('Say whether it was done.');
  await panel.getByRole('radio', { name: 'it is done' }).click();
  await panel.getByLabel(/^They charged/).fill('21.5');
  await panel.getByRole('button', { name: 'It is back' }).click();
  await expect(panel).toContainText('done, €');
  await expect(page.locator('od-gauge-desk')).toBeVisible();
  const back = await kept(page, String(id));
  const estimate = back.prices.find((word) => word.kind === 'estimate');
  expect(back.prices.at(-1)).toEqual(
    expect.objectContaining({ kind: 'outwork', high: (estimate?.high ?? 0) + outworkAmount(back.outwork) }),
  );
  await sendOut(page, 'one tip missed, ground again');
  await expect(panel).toContainText('At Quayside Tool Grinding’s');
  expect((await kept(page, String(id))).outwork.length).toBe(was.outwork.length + 1);
  await page.context().close();
});
