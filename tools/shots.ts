import { mkdirSync, mkdtempSync, chmodSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium } from '@playwright/test';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import type { Dossier } from '@odontis/contract/dossier';
import type { RackRow } from '@odontis/contract/ticket';
import { LIFTING, madeFiling } from '../core/reference/made-filing';
import { wavOf } from '../core/reference/wav';
import { madeLine, madeScan } from '../core/reference/made-scan';
import { runServer } from '../server/main';
import { enterDemo } from './demo-screen';
import { Cluster, freePort } from './cluster';
import { ensureChromium, ensurePostgres } from './debian';
import { endWith } from './say';
import { buildWeb, WEB_FOLDER } from './web-build';

const INTO = path.resolve('docs', 'screenshots');

/** Retakes docs/screenshots from a fresh demo shop: one picture a main view, 1280 x 800. */
async function shots(): Promise<void> {
  const executablePath = ensureChromium();
  buildWeb();
  const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-shots-'));
  chmodSync(folder, 0o755);
  const cluster = await Cluster.start({ programs: ensurePostgres(), folder, throwaway: true });
  const port = await freePort();
  const server = await runServer({
    databaseUrl: cluster.url(),
    host: '127.0.0.1',
    port,
    webFolder: WEB_FOLDER,
    demo: true,
  });
  // Four gullets to learn from, time to press, and a few more.
  const recorded = path.join(folder, 'filing.wav');
  const { samples, rate } = madeFiling({ hand: LIFTING, strokes: [2, 2, 2, 2, 2, 2], rests: { 4: 3 }, rate: 48_000 });
  writeFileSync(recorded, wavOf(samples, rate));
  const browser = await chromium.launch({
    executablePath,
    args: [
      ...['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
      ...['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream'],
      `--use-file-for-fake-audio-capture=${recorded}%noloop`,
    ],
  });
  try {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      baseURL: server.address,
      permissions: ['microphone'],
    });
    await enterDemo(context, server.address);
    const page = await context.newPage();
    mkdirSync(INTO, { recursive: true });
    await takeAll(page);
  } finally {
    await browser.close();
    await server.close();
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** A made-up scan of a saw of this pitch and length, worn, with a broken tooth and a lost one. */
function scanOf(pitchMm: number, lengthMm: number): Promise<Buffer> {
  const teeth = Math.round(lengthMm / pitchMm) + 1;
  const line = madeLine({
    teeth,
    pitchMm,
    unevenMm: 0.05,
    unequalMm: 0.04,
    roundMm: 0.02,
    broken: [41],
    missing: [90],
  });
  const { picture } = madeScan(line, { dpi: 1200, skewDeg: 1.2, dust: 120, rust: 30, unevenLight: 0.2, blurPx: 0.8 });
  return sharp(Buffer.from(picture.grey), { raw: { width: picture.widthPx, height: picture.heightPx, channels: 1 } })
    .withMetadata({ density: 1200 })
    .png()
    .toBuffer();
}

async function takeAll(page: Page): Promise<void> {
  const take = async (name: string, whole = false, afterMs = 900): Promise<void> => {
    await page.waitForTimeout(afterMs);
    await page.screenshot({ path: path.join(INTO, `${name}.png`), fullPage: whole });
    console.log(`docs/screenshots/${name}.png`);
  };
  await page.goto('/rack');
  const rows = (await (await page.request.get('/api/rack')).json()) as RackRow[];
  /** The first saw at a stage, of this name, or else with teeth through whose gullets a file goes. */
  const at = (stage: string, saw?: string): number =>
    rows.find((row) => row.stage === stage && (saw ? row.saw === saw : ['hand', 'back'].includes(row.family)))?.id ?? 0;
  await take('rack');

  await page.goto('/counter');
  await page.getByRole('combobox', { name: 'Customer, by name, telephone or saw' }).fill('Ngaio Ferrant');
  await page.getByRole('button', { name: 'Dado set' }).click();
  await page.getByRole('radio', { name: 'Soft: a file bites' }).click();
  await page.getByLabel('Marked limit').fill('7000');
  const parts = page.getByRole('group', { name: 'Part of the set' });
  await parts.getByRole('button', { name: 'chipper 2' }).click();
  await page.getByRole('button', { name: 'Crack', exact: true }).click();
  await parts.getByRole('button', { name: 'left outer' }).click();
  await page.getByRole('button', { name: 'Rust', exact: true }).click();
  await page.getByLabel('A new one costs').fill('160');
  await page.mouse.wheel(0, 560);
  await take('counter');

  await page.goto(`/ticket/${at('measure', 'Dovetail saw')}/measure`);
  await page.locator('#od-entry').focus();
  for (const gap of [0, 0.5, 1, 1.5, 3, 2.5, 3.5, 4, 12, 4.5, 5, 6, 5.5, 6.5, 7]) {
    await page.keyboard.type(String(gap));
    await page.keyboard.press('Enter');
  }
  await take('measure');

  const id = at('measure', 'Dovetail saw');
  const { saw } = (await (await page.request.get(`/api/tickets/${id}`)).json()) as Dossier;
  await page.goto(`/ticket/${id}/measure`);
  await page.getByRole('radio', { name: 'From a picture' }).click();
  await page.locator('od-trace-panel input[type=file]').setInputFiles({
    name: 'dovetail-saw.png',
    mimeType: 'image/png',
    buffer: await scanOf(saw.pitchMm, saw.toothLineMm),
  });
  await page.getByRole('button', { name: /^Take these/ }).waitFor();
  await take('measure-scan');

  await page.goto(`/ticket/${at('measure', 'Dado set')}/measure`);
  await page.getByRole('button', { name: 'Stand-in indicator' }).click();
  for (let tooth = 1; tooth <= 26; tooth++) {
    await page.getByRole('button', { name: /^Press/ }).click();
    await page.locator('od-gauge-facts td', { hasText: new RegExp(`^${tooth} of`) }).waitFor();
  }
  await take('measure-gauge');

  await page.goto(`/ticket/${at('plan')}/plan`);
  await page.locator('od-curve-chart canvas').waitFor();
  await page.locator('od-foretold-cut').waitFor();
  await take('plan', true);
  await page.goto(`/ticket/${at('bench', 'Tenon saw')}/bench`);
  await page.getByRole('radio', { name: 'By ear' }).click();
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  await page.waitForTimeout(1000 * (1.2 + 4 * (2 * LIFTING.pushS + LIFTING.restS + LIFTING.moveS) + 0.3));
  await page.getByRole('button', { name: 'These 4 are done' }).click();
  await page.getByRole('img', { name: /^[12] strokes? heard/ }).waitFor();
  await page.evaluate(() => scrollTo(0, 0));
  await take('bench', false, 100);
  await page.getByRole('radio', { name: 'One by one' }).click();

  await page.goto(`/ticket/${at('plan', 'Two-man crosscut')}/plan`);
  await page.locator('od-rakers-plan').waitFor();
  await take('plan-rakers');
  await page.goto('/store');
  await page.locator('od-hand-chart canvas').first().waitFor();
  await take('store');
  await page.goto(`/ticket/${at('plan', 'Two-edged pull saw')}/plan`);
  await page.locator('od-pull-plan').waitFor();
  await take('plan-pull');

  await page.goto(`/ticket/${at('plan', 'Combination blade')}/plan`);
  await page.locator('od-wheel-picture').waitFor();
  await take('plan-blade');
  await page.goto(`/ticket/${at('plan', 'Dado set')}/plan`);
  await page.locator('od-groove-picture').waitFor();
  await take('plan-dado');

  await page.goto(`/ticket/${at('check')}/check`);
  // Looked at for its line alone: whether it binds and jumps nobody has said yet.
  await page.getByRole('button', { name: 'runs left' }).click();
  await page.getByRole('button', { name: 'scratched left' }).click();
  await page.getByLabel('Left its line by').fill('0.8 mm');
  await page.getByRole('radio', { name: 'to the left' }).click();
  await page.getByLabel('over a length of').fill('100 mm');
  await page.getByLabel('over a length of').press('Tab');
  await page.getByRole('region', { name: 'What this cut points to' }).waitFor();
  await take('check', true);

  const asked = rows.find((row) => row.waitsNote.startsWith('the price'));
  if (!asked) throw new Error('No saw of the demo waits for its price.');
  await page.goto(`/ticket/${asked.id}/bench`);
  await page.getByRole('button', { name: /^counter slip/ }).click();
  await page.locator('od-price-chain').waitFor();
  await page.evaluate(() => scrollTo(0, 0));
  await take('price');

  await page.goto(`/ticket/${at('handover')}/handover`);
  await take('handover');

  await page.goto('/ledger');
  await page.getByLabel('Name, telephone, or a saw they brought').fill('quay');
  await page.getByRole('link', { name: /Quayside/ }).click();
  await page.getByRole('heading', { name: 'Quayside Boatyard' }).waitFor();
  await take('ledger');

  await page.goto('/shopbook');
  await page.locator('od-learning svg').first().waitFor();
  await take('shopbook', true);

  await page.goto('/people');
  await page.locator('od-changes-panel table').waitFor();
  await take('people');

  await page.getByRole('button', { name: 'Dark sheet' }).click();
  await page.goto(`/ticket/${at('bench', 'Narrow band')}/bench`);
  await page.locator('od-loop-picture').waitFor();
  await take('bench-band');
}

shots()
  .then(() => process.exit(0))
  .catch(endWith);
