import cvModule from '@techstark/opencv-js';
import { readyForCodes } from '../../tools/code-reader';
import { codeModules } from '../reference/code-modules';
import type { EdgeScene } from '../reference/made-edge-photograph';
import { edgePhotograph } from '../reference/made-edge-photograph';
import { madeLine, randomFrom } from '../reference/made-line';
import { setsOf, summariseSets } from './edge-readings';
import { sideOf } from './edge-teeth';
import { wallsOf } from './edge-walls';
import { readEdge } from './read-edge';
import { seeCodes } from './see-codes';

const PITCH_MM = 3.6286;
const LINE = madeLine({
  teeth: 60,
  pitchMm: PITCH_MM,
  rakeDeg: -14,
  unevenMm: 0.08,
  unequalMm: 0.05,
  unlikeDeg: 1,
  seed: 4,
});
const random = randomFrom(77);
const SETS = LINE.map((_, i) => (i % 2 === 0 ? 1 : -1) * (0.24 + 0.04 * (2 * random() - 1)));
/** Sixty teeth of eight points before a telephone. */
const SCENE: EdgeScene = {
  widthPx: 4000,
  heightPx: 1150,
  focalPx: 3000,
  heightMm: 223,
  plateMm: 0.9,
  overMm: 5.5,
  strips: 1,
  tiltXDeg: 1,
  tiltYDeg: -3,
  rollDeg: 1,
  k1: -0.05,
  k2: 0.01,
  noise: 3,
  blurPx: 0.8,
  unevenLight: 0.2,
};

describe('a saw photographed along its points', () => {
  let timeout: number;
  beforeAll(async () => {
    // Pictures are made here, large ones.
    timeout = jasmine.DEFAULT_TIMEOUT_INTERVAL;
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;
    await readyForCodes();
  });
  afterAll(() => {
    jasmine.DEFAULT_TIMEOUT_INTERVAL = timeout;
  });

  const read = async () => {
    const picture = edgePhotograph(LINE, SETS, SCENE, codeModules);
    const { plateMm, overMm, focalPx } = SCENE;
    const known = {
      plateMm,
      focalPx,
      printed: { along: 1, across: 1 },
      edge: { pitchMm: PITCH_MM, overMm, gulletMm: 2.7 },
    };
    return readEdge(picture, await seeCodes(picture), known);
  };
  const mean = (of: readonly number[]): number => of.reduce((s, v) => s + v, 0) / of.length;

  it('tells every tooth’s set to 0.03 mm, its side, and the balance of both sides over sixty teeth to a hundredth', async () => {
    const found = await read();
    if (!found.ok) throw new Error(found.code);
    const sets = setsOf(found.teeth, 1, 'left');
    expect(sets.length).toBe(60);
    expect(sets.map((s) => s.lean)).toEqual(SETS.map((s) => (s > 0 ? 'left' : 'right')));
    const off = sets.map((s, i) => s.setMm - Math.abs(SETS[i] as number));
    expect(Math.sqrt(mean(off.map((o) => o * o)))).toBeLessThan(0.03);
    const side = (left: boolean): number => mean(off.filter((_, i) => (SETS[i] as number) > 0 === left));
    expect(Math.abs(side(true) - side(false))).toBeLessThan(0.01);
    // Errors are told on the safe side, the common one of both sides too.
    const own = off.map((o, i) => (o - side((SETS[i] as number) > 0)) / (sets[i]?.errorMm ?? NaN));
    expect(Math.sqrt(mean(own.map((o) => o * o)))).toBeLessThan(1.3);
    const summary = summariseSets(sets, SCENE.plateMm, found.sideErrorMm);
    expect(summary.left?.teeth).toBe(30);
    expect(
      Math.abs(
        (summary.leftMoreMm?.value ?? NaN) - (mean(SETS.filter((s) => s > 0)) + mean(SETS.filter((s) => s < 0))),
      ),
    ).toBeLessThan(2 * (summary.leftMoreMm?.error ?? 0));
    expect(summary.kerfMm ?? 0).toBeCloseTo(SCENE.plateMm + 0.48, 1);

    // Beside a library: OpenCV's threshold of the same grid has the walls in the same rows.
    const walls = wallsOf(found.picture, SCENE.plateMm / found.mmPerPx);
    const { cv } = await library();
    const { widthPx, heightPx, grey } = found.picture;
    const source = cv.matFromArray(heightPx, widthPx, cv.CV_8UC1, Array.from(grey));
    const dark = new cv.Mat();
    cv.threshold(source, dark, 0, 255, cv.THRESH_BINARY_INV + cv.THRESH_OTSU);
    let [far, seen] = [0, 0];
    for (let i = 50; i < widthPx - 50; i += 10) {
      const column = Array.from({ length: heightPx }, (_, j) => dark.ucharAt(j, i) > 0);
      const [top, bottom] = [column.indexOf(true), column.lastIndexOf(true) + 1];
      if (top < 0) continue;
      seen++;
      const off = Math.max(Math.abs((walls?.upper[i] ?? NaN) - top), Math.abs((walls?.lower[i] ?? NaN) - bottom));
      if (!(off < 1)) far++;
    }
    expect(seen).toBeGreaterThan(250);
    expect(far / seen).toBeLessThan(0.02);
  });

  it('with the heel on the right left is right; a set that the plate hides, and strips on one side alone, are said', async () => {
    const small = { widthPx: 2400, heightPx: 750, focalPx: 1800 };
    const picture = edgePhotograph(LINE, SETS, { ...SCENE, ...small, turned: true }, codeModules);
    const codes = await seeCodes(picture);
    const known = {
      plateMm: SCENE.plateMm,
      focalPx: small.focalPx,
      edge: { pitchMm: PITCH_MM, overMm: SCENE.overMm, gulletMm: 2.7 },
    };
    const turned = readEdge(picture, codes, known);
    if (!turned.ok) throw new Error(turned.code);
    expect(setsOf(turned.teeth, 1, 'right').map((s) => s.lean)).toEqual(SETS.map((s) => (s > 0 ? 'left' : 'right')));
    expect(setsOf(turned.teeth, 21, 'right')[0]?.tooth).toBe(21);
    const slanting = edgePhotograph(LINE, SETS, { ...SCENE, ...small, tiltXDeg: 6 }, codeModules);
    const aside = readEdge(slanting, await seeCodes(slanting), known);
    expect(aside.ok ? '' : aside.code).toBe('from-aside');
    const upper = codes.filter(({ text }) => text.startsWith('ODS1AT1'));
    const one = readEdge(picture, upper, known);
    expect(one.ok ? '' : one.code).toBe('no-strips-both-sides');
  });

  it('a wall that slopes is followed to its very end: plain plate beyond the last tooth is none', () => {
    const [pitchMm, tips] = [4, [8, 16, 24, 32, 40]];
    const rise = (x: number): number =>
      Math.max(0, ...tips.map((tip) => (x <= tip && x > tip - 2 ? (x - tip + 2) * 0.15 : 0)));
    const columns = Array.from({ length: 600 }, (_, i) => ({ x: i / 10, y: 1 + 0.02 * (i / 10) + rise(i / 10) }));
    const side = sideOf(columns, pitchMm, 0.05);
    expect(side.bumps.length).toBe(tips.length);
    for (const bump of side.bumps) expect(Math.abs(bump.heightMm - 0.3)).toBeLessThan(0.03);
    for (const x of [0.5, 30, 59.5]) expect(Math.abs(side.wallAt(x) - (1 + 0.02 * x))).toBeLessThan(0.01);
  });
});

function library(): Promise<{ cv: typeof cvModule }> {
  const cv = cvModule;
  return new Promise((resolve) => {
    if (typeof cv.Mat === 'function') resolve({ cv });
    else cv.onRuntimeInitialized = () => resolve({ cv });
  });
}
