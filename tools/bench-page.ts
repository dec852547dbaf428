import { demoScreen, enterDemo } from './demo-screen';
import type { Page } from '@playwright/test';
import { chromium } from '@playwright/test';
import sharp from 'sharp';
import type pg from 'pg';
import type { ShopBench } from './bench-shop';
import { inShop, keepLine, percentile } from './bench-shop';
import { dossier } from '../contract/dossier';
import type { ToothReading } from '../core/evidence/tooth-reading';
import { madeLine, madeScan } from '../core/reference/made-scan';
import { ensureChromium } from './debian';

const TEETH = 400;

/** Frames with a move in each of them and with none, and how long one move alone keeps the page busy, ms. */
interface Motion {
  readonly idle: number[];
  readonly moving: number[];
  readonly busy: number[];
}

/** Where the hand is on a page, and what it does there frame by frame. */
type Hand = { readonly at: string; readonly does: 'arrows' | 'values' };

/**
 * Pulls at a handle with the arrow keys, there and back, or keys a value and steps back, one deed a frame.
 * `busy` is event handling, change detection and drawing, without the wait for the screen.
 */
async function motion(page: Page, hand: Hand): Promise<Motion> {
  return page.evaluate(async ({ at, does }) => {
    const element = document.querySelector<HTMLInputElement>(at);
    if (!element) throw new Error(`Nothing on the page answers to ${at}.`);
    element.focus();
    const out: { idle: number[]; moving: number[]; busy: number[] } = { idle: [], moving: [], busy: [] };
    // One function for both hands: named helpers do not survive the trip into the page.
    const deed = {
      do(i: number): void {
        const key = does === 'arrows' ? (i % 60 < 30 ? 'ArrowDown' : 'ArrowUp') : 'ArrowUp';
        if (does === 'arrows' || i % 2 === 1) {
          element.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
          return;
        }
        element.value = (-0.01 * (i % 7)).toFixed(2);
        element.dispatchEvent(new Event('input', { bubbles: true }));
        element.form?.requestSubmit();
      },
    };
    for (const into of [out.idle, out.moving]) {
      let last = performance.now();
      for (let i = 0; i < 180; i++) {
        if (into === out.moving) deed.do(i);
        await new Promise((resolve) => requestAnimationFrame(resolve));
        into.push(performance.now() - last);
        last = performance.now();
      }
    }
    const channel = new MessageChannel();
    for (let i = 0; i < 120; i++) {
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const from = performance.now();
      deed.do(i);
      const handled = performance.now() - from;
      await new Promise((resolve) => requestAnimationFrame(resolve));
      const drawing = performance.now();
      await new Promise((resolve) => {
        channel.port1.onmessage = resolve;
        channel.port2.postMessage(0);
      });
      out.busy.push(handled + performance.now() - drawing);
    }
    return out;
  }, hand);
}

function report(what: string, { idle, moving, busy }: Motion): void {
  const spread = (times: number[]): string =>
    `${percentile(times, 0.5).toFixed(1)} ms (median), ${percentile(times, 0.95).toFixed(1)} ms (95th percentile)`;
  console.log(`${what} keeps the page busy ${spread(busy)} of a 16 ms frame`);
  console.log(`  frame to frame with one in each ${spread(moving)}; with none ${spread(idle)}; sixty a second is 16.7`);
}

/** Gives a hand or back saw at this stage 400 teeth, hollow and uneven, and returns its ticket. */
async function longSaw(client: pg.Client, address: string, stage: 'measure' | 'plan'): Promise<number> {
  const found = await client.query<{ id: number; saw_id: number }>(
    `SELECT t.id, t.saw_id FROM ticket t JOIN saw s ON s.id = t.saw_id
     WHERE t.stage = $1 AND s.family IN ('hand', 'back') ORDER BY t.id LIMIT 1`,
    [stage],
  );
  const { id, saw_id: saw } = found.rows[0] as { id: number; saw_id: number };
  await client.query(`UPDATE saw SET pitch_mm = 2, tooth_line_mm = $2, shape = shape - 'toeZones' WHERE id = $1`, [
    saw,
    (TEETH - 1) * 2,
  ]);
  const teeth = Array.from({ length: TEETH }, (_, i): ToothReading => {
    const n = i + 1;
    return {
      tooth: n,
      xMm: i * 2 + 0.08 * Math.sin(n * 1.7),
      yMm: -0.15 * Math.sin((Math.PI * n) / TEETH) - 0.02 * Math.abs(Math.sin(n * 3.1)),
      setMm: 0.05,
      lean: i % 2 ? 'right' : 'left',
      kind: 'tooth',
    };
  });
  const opened = dossier.parse(
    await (await fetch(`${address}/api/tickets/${id}`, { headers: await demoScreen(address) })).json(),
  );
  await keepLine(address, id, opened.seen, teeth);
  return id;
}

const SCANNED_TEETH = 2000;

/** A line of 2,000 teeth traced on its picture, dragged to and fro; run on a page that can be measured. */
async function panScan(page: Page): Promise<void> {
  const line = madeLine({ teeth: SCANNED_TEETH, pitchMm: 1.5, rakeDeg: -8, unevenMm: 0.05, unequalMm: 0.03 });
  const { picture } = madeScan(line, { dpi: 300, plateMm: 8, spaceMm: 4 });
  const file = await sharp(Buffer.from(picture.grey), {
    raw: { width: picture.widthPx, height: picture.heightPx, channels: 1 },
  })
    .withMetadata({ density: 300 })
    .png()
    .toBuffer();
  await page.getByRole('radio', { name: 'From a picture' }).click();
  await page
    .locator('od-trace-panel input[type=file]')
    .setInputFiles({ name: 'long.png', mimeType: 'image/png', buffer: file });
  await page.getByRole('button', { name: `Take these ${SCANNED_TEETH} teeth` }).waitFor({ timeout: 60_000 });
  for (const presses of [0, 2, 4]) {
    if (presses > 0)
      await page.locator('od-traced-picture').getByRole('button', { name: 'Nearer' }).click({ clickCount: 2 });
    await page.waitForTimeout(800);
    const frames = await page.evaluate(async () => {
      const canvas = document.querySelector<HTMLCanvasElement>('od-traced-picture canvas');
      if (!canvas) throw new Error('There is no scan on the page.');
      const box = canvas.getBoundingClientRect();
      const [x, y] = [box.left + box.width / 2, box.top + box.height / 2];
      // A method: named helpers do not survive the trip into the page.
      const hand = {
        event(type: string, at: number): MouseEvent {
          return new MouseEvent(type, {
            bubbles: true,
            cancelable: true,
            view: window,
            clientX: x + at,
            clientY: y,
            button: 0,
          });
        },
      };
      const before = canvas.toDataURL();
      canvas.dispatchEvent(hand.event('mousedown', 0));
      const out: number[] = [];
      let last = performance.now();
      for (let i = 0; i < 180; i++) {
        window.dispatchEvent(hand.event('mousemove', 300 * Math.sin(i / 15)));
        await new Promise((resolve) => requestAnimationFrame(resolve));
        out.push(performance.now() - last);
        last = performance.now();
      }
      if (canvas.toDataURL() === before) throw new Error('The scan did not move: nothing was measured.');
      window.dispatchEvent(hand.event('mouseup', 0));
      return out;
    });
    console.log(
      `Scan of ${SCANNED_TEETH} teeth dragged, ${presses === 0 ? 'as it opened' : `${presses} times nearer`}: frame to frame ${percentile(frames, 0.5).toFixed(1)} ms (median), ${percentile(frames, 0.95).toFixed(1)} ms (95th percentile); sixty a second is 16.7`,
    );
  }
}

/** The plan page and the measuring desk at 400 teeth, while a hand moves. */
export const measurePages = (bench: ShopBench): Promise<void> =>
  inShop(bench, async (client, address) => {
    const browser = await chromium.launch({
      executablePath: ensureChromium(),
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    });
    // A first visit's files are kept for later just then, which would be measured along.
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
    await enterDemo(context, address);
    const page = await context.newPage();
    console.log(`\nPages at ${TEETH} teeth, headless, drawn by the processor alone`);
    await page.goto(`${address}/ticket/${await longSaw(client, address, 'plan')}/plan`);
    await page.locator('od-curve-chart canvas').first().waitFor();
    report('Plan: one move of the handle', await motion(page, { at: '[role="slider"]', does: 'arrows' }));
    await page.goto(`${address}/ticket/${await longSaw(client, address, 'measure')}/measure`);
    await page.locator('#od-entry').waitFor();
    // From the middle of the line: keyed there, a value changes a tooth that stands.
    await page.locator('[role="listitem"]').nth(5).click();
    const tooth = page.locator('[role="listitem"]').nth(5);
    const before = await tooth.innerText();
    const keyed = await motion(page, { at: '#od-entry', does: 'values' });
    if ((await tooth.innerText()) === before) throw new Error('The values keyed did not arrive: nothing was measured.');
    report('Measure: one value keyed', keyed);
    await panScan(page);
    await browser.close();
  });
