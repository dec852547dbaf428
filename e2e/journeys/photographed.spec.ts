import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';
import { dossier as answered } from '@odontis/contract/dossier';
import type { Dossier } from '@odontis/contract/dossier';
import { codeModules } from '@odontis/core/reference/code-modules';
import { madePhotograph } from '@odontis/core/reference/made-photograph';
import { madeLine } from '@odontis/core/reference/made-scan';
import { beforeDevice } from '../fixtures/own-media';
import { filmOf, greyPng } from '../fixtures/pictures';
import { test } from '../fixtures/shop';
import { arrive, comeIn, expectAccessible } from '../pages/sound';

/** What a tablet's camera sees: a back saw's line on one strip. */
const film = (pitchMm: number) => {
  const line = madeLine({ teeth: 80, pitchMm, rakeDeg: -2, unevenMm: 0.06, unequalMm: 0.05, seed: 6 });
  const scene = { widthPx: 1920, heightPx: 1080, focalPx: 1440, heightMm: 160, strips: 1, tiltXDeg: 7, tiltYDeg: -3 };
  return { line, ...madePhotograph(line, { ...scene, plateMm: 0.6, plateDeepMm: 90, k1: 0.03, seed: 2 }, codeModules) };
};

test('a saw is photographed on its strip: the camera helps, the teeth come out and are kept; a covered strip is told', async ({
  context,
  page,
}) => {
  await comeIn(context);
  const { request } = page;
  const rows = (await (await request.get('/api/rack')).json()) as { id: number; stage: string; family: string }[];
  const kept = async (of = id): Promise<Dossier> =>
    answered.parse(await (await request.get(`/api/tickets/${of}`)).json());
  // One that nobody has read: another journey's saw would have its own readings beside the picture's.
  let id = 0;
  for (const row of rows.filter((one) => one.stage === 'measure' && one.family === 'back'))
    if (id === 0 && (await kept(row.id)).sessions.length === 0) id = row.id;
  const { saw } = await kept();
  if (saw.family !== 'back') throw new Error('no back saw');
  const { line, picture } = film(saw.pitchMm);
  const onTablet = async (tablet: Page): Promise<void> => {
    await arrive(tablet);
    await tablet.goto(`/ticket/${id}/measure`);
    await tablet.getByRole('radio', { name: 'From a picture' }).tap();
    const sheet = tablet.getByRole('link', { name: 'Print the measuring sheet, A4' });
    expect((await tablet.request.get((await sheet.getAttribute('href')) ?? '')).headers()['content-type']).toContain(
      'pdf',
    );
    // A strip that is covered gives no number but a sentence.
    const covered = {
      ...picture,
      grey: picture.grey.map((g, i) => (Math.abs((i % picture.widthPx) - 960) > 110 ? 120 : g)),
    };
    await tablet
      .locator('od-trace-panel label', { hasText: 'Open a scan' })
      .locator('input')
      .setInputFiles({
        name: 'covered.png',
        mimeType: 'image/png',
        buffer: greyPng(covered.widthPx, covered.heightPx, covered.grey, null),
      });
    await expect(tablet.getByText(/Too few marks of the measuring strips are seen/)).toBeVisible({ timeout: 30_000 });
    await tablet.getByRole('button', { name: 'Photograph it' }).tap();
    await expect(tablet.getByText(/\d+ marks on 1 strip, \d+° off upright, blur .* px a tooth/)).toBeVisible({
      timeout: 30_000,
    });
    await expect(tablet.getByText('Good: take it.')).toBeVisible();
    await expectAccessible(tablet);
    await tablet.getByRole('button', { name: 'Take the picture' }).tap();
    await expect(tablet.getByText(/Photograph on one strip: \d+ marks/)).toBeVisible({ timeout: 60_000 });
    await expect(tablet.getByText(/Nobody has measured this printer’s rulers/)).toBeVisible();
    await tablet.getByRole('button', { name: 'Take these 80 teeth' }).tap();
    await expect(tablet.getByText('Kept.')).toBeVisible();
    await expect
      .poll(async () => (await kept()).sessions.at(-1)?.readings.filter((r) => r.quantity === 'place').length)
      .toBe(80);
    const places = (await kept()).sessions.at(-1)?.readings.filter((r) => r.quantity === 'place') ?? [];
    for (const r of places) expect(Math.abs((r.value as number) - (line[r.place - 1]?.xMm ?? NaN))).toBeLessThan(0.6);
  };
  await beforeDevice({ as: 'camera', file: filmOf(picture) }, onTablet, {
    viewport: { width: 800, height: 1280 },
    hasTouch: true,
  });
});
