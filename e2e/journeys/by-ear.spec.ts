import type { Locator, Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { dossier as answered } from '@odontis/contract/dossier';
import { madeFiling } from '@odontis/core/reference/made-filing';
import { wavOf } from '@odontis/core/reference/wav';
import { beforeDevice } from '../fixtures/own-media';
import { test } from '../fixtures/shop';
import { arrive, comeIn, expectAccessible } from '../pages/sound';

/** A quick hand, so that sixty gullets take a minute. */
const HAND = { pushS: 0.18, restS: 0.2, moveS: 0.5, backDb: null, spread: 0.08, levelSpreadDb: 1 };
const LEARNED = 4;
const ONE_STROKE_AT = 21;
const GULLETS = 60;
/** Seconds that the filer waits where a key is wanted. */
const ANSWERS_S = 4;

/** Sound keeps its own time: `npm test` runs this when no other journey takes the cores from it. */
test('a back saw of sixty gullets is filed by ear: one is doubted and set right, the place outlives a reload', async ({
  context,
}) => {
  test.setTimeout(180_000);
  await comeIn(context);
  const rows = (await (await context.request.get('/api/rack')).json()) as {
    id: number;
    stage: string;
    family: string;
  }[];
  const dossierOf = async (id: number) =>
    answered.parse(await (await context.request.get(`/api/tickets/${id}`)).json());
  // A back saw whose last filing has so many gullets to go.
  let found: { id: number; at: number } | null = null;
  for (const { id } of rows.filter((row) => row.stage === 'bench' && row.family === 'back')) {
    const { plan } = await dossierOf(id);
    const walk = (plan?.order.steps ?? [])
      .flatMap(({ stops }, step) => stops.map(({ at, strokes }) => ({ at, strokes, step })))
      .map((stop, index) => ({ ...stop, index }));
    const place = walk.findIndex((stop) => !plan?.done.includes(stop.index));
    const run = walk.slice(place).filter((stop) => stop.step === walk[place]?.step);
    if (run.length > GULLETS && run.every((stop) => stop.strokes === 2)) found = { id, at: walk[place]?.at ?? 0 };
  }
  if (!found) throw new Error('The demo has no back saw with sixty gullets to go.');
  const { id, at } = found;
  const before = (await dossierOf(id)).plan?.how ?? {};
  const strokes = Array.from({ length: GULLETS }, () => 2);
  // In one gullet a stroke, then the telephone; it is filed again.
  strokes.splice(ONE_STROKE_AT, 0, 1);
  const rests = { [LEARNED]: ANSWERS_S, [ONE_STROKE_AT + 1]: ANSWERS_S };
  const { samples, rate, doneS } = madeFiling({ hand: HAND, strokes, rests, rate: 48_000, seed: 3 });

  let reached = 0;
  const atTheVise = async (page: Page): Promise<void> => {
    await arrive(page, `/ticket/${id}/bench`);
    const where = page.locator('od-bench-page .where');
    await expect(where).toHaveText(`Gullet ${at}`);
    await page.getByRole('radio', { name: 'By ear' }).tap();
    await page.getByRole('button', { name: 'Listen', exact: true }).tap();
    const listenedAt = Date.now();
    const nowS = (): number => (Date.now() - listenedAt) / 1000;
    await expect(page.getByText('Listening, to learn your strokes')).toBeVisible();
    await expect(where).toHaveText(`Gullets ${at} to ${at + LEARNED - 1}`);
    await page.waitForTimeout(1000 * ((doneS[LEARNED - 1] ?? 0) + 0.7 - nowS()));
    await page.getByRole('button', { name: 'These 4 are done' }).tap();
    await expect(page.getByText('Listening. Nothing is kept or sent.')).toBeVisible();
    // The filer answers: not done where the telephone rang, done wherever a busy machine swallowed a piece of sound.
    const rangS = doneS[ONE_STROKE_AT] ?? 0;
    const [yes, no] = ['It is done: next', 'Not yet: count anew'].map((name) => page.getByRole('button', { name })) as [
      Locator,
      Locator,
    ];
    let rang = false;
    let questions = 0;
    while (nowS() < samples.length / rate + 3 && (await where.innerText()) !== `Gullet ${at + GULLETS}`) {
      if (await yes.isVisible()) {
        if (!rang && nowS() > rangS && nowS() < rangS + ANSWERS_S + 1) {
          rang = true;
          await expect(
            page.getByText(/Fewer strokes were heard here than this gullet wants.*One stroke/),
          ).toBeVisible();
          await no.tap();
        } else {
          questions++;
          await yes.tap();
        }
      }
      await page.waitForTimeout(150);
    }
    expect(rang).toBe(true);
    const place = Number(/\d+$/.exec(await where.innerText())?.[0]);
    // Never ahead of the file, and at its place unless it had to ask.
    expect(place).toBeLessThanOrEqual(at + GULLETS);
    expect(place).toBeGreaterThanOrEqual(at + GULLETS - questions);
    expect(questions).toBeLessThan(6);
    reached = place;
    await expectAccessible(page);
    await page.reload();
    await expect(where).toHaveText(`Gullet ${place}`);
    // What this hand chose is known at the next saw; the microphone is off until it is asked for.
    await expect(page.getByRole('radio', { name: 'By ear' })).toBeChecked();
    await expect(page.getByText('Listening')).toHaveCount(0);
  };
  await beforeDevice({ as: 'microphone', file: wavOf(samples, rate) }, atTheVise, {
    viewport: { width: 800, height: 1280 },
    hasTouch: true,
  });
  const after = (await dossierOf(id)).plan?.how ?? {};
  expect((after.window ?? 0) - (before.window ?? 0)).toBe(LEARNED);
  const [byEar, byKey] = [(after.ear ?? 0) - (before.ear ?? 0), (after.gullet ?? 0) - (before.gullet ?? 0)];
  expect(LEARNED + byEar + byKey).toBe(reached - at);
  expect(byEar).toBeGreaterThan(GULLETS - LEARNED - 6);
});
