import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { depthCurve } from '@odontis/core/line/depth-curve';
import { flatsOn } from '@odontis/core/line/flats';
import { lineForAll } from '@odontis/core/line/joint-line';
import { lowered } from '@odontis/core/line/depth-curve';
import { smallestWorstError } from '@odontis/core/line/interval-propagation';
import { smoothestSpacing } from '@odontis/core/line/spacing';
import { viewDepth } from '@odontis/core/plan/depth-view';
import { studyLine } from '@odontis/core/plan/study';
import { jointLineLp, minimaxSpacingLp, solveLp } from '../core/reference/linear-program';
import { smoothestByQuadprog } from '../core/reference/quadratic-program';
import { planInputs } from '../core/reference/random-saw';
import { seeded, wornLine } from '../server/demo/worn-line';
import { Cluster, freePort } from './cluster';
import { measurePages } from './bench-page';
import { measureRoutes, measureStarts } from './bench-shop';
import { ensureChromium, ensurePostgres } from './debian';
import { endWith } from './say';
import { buildWeb, WEB_FOLDER } from './web-build';

const PITCH_MM = 2;

/** Median milliseconds of enough runs to trust, after a few to warm up. */
export async function median(work: () => unknown, runs = 15): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < runs + 3; i++) {
    const from = performance.now();
    await work();
    if (i >= 3) times.push(performance.now() - from);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)] as number;
}

const ms = (value: number): string => `${value < 1 ? value.toFixed(3) : value.toFixed(1)} ms`;
const line = (what: string, ours: number, theirs: number, whose: string): void =>
  console.log(
    `${what.padEnd(44)} ${ms(ours).padStart(10)}   ${whose} ${ms(theirs).padStart(10)}   ${(theirs / ours).toFixed(1)} times as long`,
  );

function saw(teeth: number) {
  const wear = { hollowMm: 0.15, strayMm: 0.03, spacingShare: 0.06, setLeftMm: 0.05, setRightMm: 0.05 };
  const study = studyLine(planInputs(wornLine(teeth, PITCH_MM, wear, seeded(teeth)), PITCH_MM));
  // Deep enough that every tooth has a flat: the quadratic library refuses gates of no width.
  const flats = flatsOn(lowered(study.datum, 0.25), study.prepared);
  return { study, flats };
}

async function core(): Promise<void> {
  console.log('Core beside general reference libraries, medians of one run on this machine');
  for (const teeth of [60, 400, 2000]) {
    const { study, flats } = saw(teeth);
    const { prepared } = study;
    const shift = prepared.teeth;
    const low = flats.fromMm.map((v, i) => v - (shift[i] as number) * PITCH_MM);
    const high = flats.toMm.map((v, i) => v - (shift[i] as number) * PITCH_MM);
    const smooth = await median(() => smoothestSpacing(flats, prepared.teeth, PITCH_MM));
    const worst = await median(() => smallestWorstError(flats, prepared.teeth, PITCH_MM));
    // The quadratic library is dense and cubic: at 2,000 teeth it would take the better part of an hour.
    if (teeth <= 400) {
      line(
        `${teeth} teeth: smoothest spacing`,
        smooth,
        await median(() => smoothestByQuadprog(low, high), 3),
        'quadprog',
      );
    } else
      console.log(
        `${`${teeth} teeth: smoothest spacing`.padEnd(44)} ${ms(smooth).padStart(10)}   quadprog too slow to run (dense, cubic)`,
      );
    const lp = minimaxSpacingLp(flats.fromMm, flats.toMm, prepared.teeth, PITCH_MM);
    line(`${teeth} teeth: smallest worst error`, worst, await median(() => solveLp(lp), 3), 'HiGHS');
    const tips = Array.from(prepared.xMm, (xMm, i) => ({ xMm, yMm: prepared.yMm[i] as number }));
    const joint = await median(() => lineForAll(tips));
    line(`${teeth} teeth: joint line, all teeth`, joint, await median(() => solveLp(jointLineLp(tips)), 3), 'HiGHS');
    const curve = await median(() => depthCurve(prepared, study.datum, study.pitchMm, study.deepestMm, 64), 7);
    console.log(`${`${teeth} teeth: 64-point depth curve`.padEnd(44)} ${ms(curve).padStart(10)}`);
    const view = await median(() => viewDepth(study, 0.1));
    console.log(
      `${`${teeth} teeth: everything under the handle`.padEnd(44)} ${ms(view).padStart(10)}   of a 16 ms frame`,
    );
  }
}

/** Gzipped bytes a browser fetches before the first page: the files index.html names and what they import at once. */
function firstTransfer(): { files: number; kilobytes: number } {
  const html = readFileSync(path.join(WEB_FOLDER, 'index.html'), 'utf8');
  const wanted = new Set([...html.matchAll(/(?:src|href)="([^"]+\.(?:js|css))"/g)].map((m) => m[1] as string));
  for (const file of wanted) {
    if (!file.endsWith('.js')) continue;
    const text = readFileSync(path.join(WEB_FOLDER, file), 'utf8');
    for (const found of text.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)) wanted.add(found[1] as string);
  }
  const bytes = [...wanted].reduce((sum, file) => sum + gzipSync(readFileSync(path.join(WEB_FOLDER, file))).length, 0);
  return { files: wanted.size, kilobytes: bytes / 1000 };
}

function transfer(): void {
  const first = firstTransfer();
  const all = readdirSync(WEB_FOLDER).reduce((sum, f) => sum + statSync(path.join(WEB_FOLDER, f)).size, 0);
  console.log('\nWeb app');
  console.log(
    `first transfer, gzipped: ${first.kilobytes.toFixed(0)} kB in ${first.files} files (aim under 300); everything unpacked ${(all / 1e6).toFixed(1)} MB`,
  );
}

/** What can be asked for by name, `npm run bench -- core pages`; all of it when nothing is. */
const PARTS = ['core', 'web', 'routes', 'pages', 'start'];

async function bench(): Promise<void> {
  const asked = process.argv.slice(3);
  const unknown = asked.find((part) => !PARTS.includes(part));
  if (unknown) throw new Error(`There is no part "${unknown}" to measure: ${PARTS.join(', ')}.`);
  const wanted = (part: string): boolean => asked.length === 0 || asked.includes(part);
  if (wanted('core')) await core();
  buildWeb();
  if (wanted('web')) transfer();
  if (wanted('pages')) ensureChromium();
  if (wanted('routes') || wanted('pages')) {
    const folder = mkdtempSync(path.join(os.tmpdir(), 'odontis-bench-'));
    chmodSync(folder, 0o755);
    const cluster = await Cluster.start({ programs: ensurePostgres(), folder, throwaway: true });
    try {
      // Pages first: the routes are measured in a shop with thousands of saws more.
      if (wanted('pages')) await measurePages({ cluster, port: await freePort() });
      if (wanted('routes')) await measureRoutes({ cluster, port: await freePort() });
    } finally {
      await cluster.stop();
      rmSync(folder, { recursive: true, force: true });
    }
  }
  if (wanted('start')) await measureStarts();
}

bench()
  .then(() => process.exit(0))
  .catch(endWith);
