import cvModule from '@techstark/opencv-js';
import { codeModules } from '../reference/code-modules';
import { readyForCodes } from '../../tools/code-reader';
import { madeLine } from '../reference/made-line';
import type { PhotographScene } from '../reference/made-photograph';
import { madePhotograph } from '../reference/made-photograph';
import { photographFindings } from '../reference/random-photograph';
import type { GreyPicture } from '../trace/grey-picture';
import { traceTeeth } from '../trace/trace-teeth';
import type { TracedLine } from '../trace/traced-line';
import { joinTraces } from '../trace/join-traces';
import { projector, turnOf, rotation } from './camera';
import { findDot } from './find-dot';
import type { SeenCode } from './find-strips';
import { glimpse } from './glimpse';
import { homography, mapped } from './homography';
import { codeOf, stripOf } from './measuring-strip';
import { photographWords } from './photograph-words';
import { readPhotograph } from './read-photograph';
import { showsStrips } from './see-marks';
import { seeCodes } from './see-codes';
import { sharedTeeth } from './shared-teeth';

/** Eight points to the inch, unevenly worn. */
const LINE = { teeth: 60, pitchMm: 3.6286, rakeDeg: -14, unevenMm: 0.1, unequalMm: 0.07, unlikeDeg: 2, seed: 4 };
/** A part of a telephone's picture of twelve million pixels: as many to the mm as over 700 mm. */
const SCENE: PhotographScene = {
  widthPx: 1500,
  heightPx: 560,
  focalPx: 3000,
  heightMm: 570,
  strips: 1,
  noise: 3,
  blurPx: 0.8,
  unevenLight: 0.3,
};
/** The lens of the whole picture, not of its part. */
const FOCAL = { focalPx: 3000 };

describe('a telephone’s photograph on measuring strips', () => {
  beforeAll(readyForCodes);

  const seen = async (scene: Partial<PhotographScene>, line = LINE) => {
    const teeth = madeLine(line);
    const { picture } = madePhotograph(teeth, { ...SCENE, ...scene }, codeModules);
    return { teeth, picture, codes: await seeCodes(picture) };
  };
  const laid = (picture: GreyPicture, codes: readonly SeenCode[], plateMm = 1e-3) => {
    const read = readPhotograph(picture, codes, { ...FOCAL, plateMm, printed: { along: 1, across: 1 } });
    if (!read.ok) throw new Error(read.code);
    return read;
  };
  const tracedOn = (read: ReturnType<typeof laid>): TracedLine => {
    const { mmPerPx, scaleError, placeErrorMm } = read;
    const trace = traceTeeth(read.picture, { mmPerPx, scaleError, placeErrorMm, heel: 'left' });
    if (!trace.ok) throw new Error(trace.code);
    return trace;
  };

  it('gives every tooth its place to 0.06 mm, its height to 0.04, pitch to a thousandth and rake to a degree', async () => {
    for (const scene of [
      { tiltXDeg: 25, tiltYDeg: -6, rollDeg: 2, k1: -0.08, k2: 0.03, seed: 1 },
      { tiltXDeg: -18, tiltYDeg: 12, rollDeg: -3, k1: 0.06, k2: -0.03, plateGrey: 90, seed: 2 },
    ]) {
      const { teeth, picture, codes } = await seen(scene);
      const read = laid(picture, codes);
      const trace = tracedOn(read);
      const found = photographFindings(teeth, trace, LINE.pitchMm);
      expect(found.missed).toBe(0);
      expect(found.places).toBeLessThan(0.06);
      expect(found.heights).toBeLessThan(0.04);
      expect(found.pitchShare).toBeLessThan(0.001);
      expect(found.rakeDeg).toBeLessThan(1);
      const places = trace.teeth.map((t, i) => t.xMm - (teeth[i]?.xMm ?? NaN));
      const middle = places.reduce((s, v) => s + v, 0) / places.length;
      // The errors told hold: none lies over three of its own beyond the line's common shift.
      const over = trace.teeth.filter(
        (t, i) => Math.abs((places[i] ?? 0) - middle) > 3.5 * Math.hypot(t.errors.xMm, t.errors.yMm),
      );
      expect(over.length).toBe(0);
      expect(Math.abs(read.facts.tiltDeg - tiltOf(scene.tiltXDeg, scene.tiltYDeg))).toBeLessThan(1);
      expect(read.facts.rmsPx).toBeLessThan(0.05);
    }
  });

  it('takes the thickness of the plate into the scale: nearer to the lens, the teeth are no larger', async () => {
    const { picture, codes } = await seen({ plateMm: 3, heightMm: 400, focalPx: 2105, tiltXDeg: 8 });
    const read = (plateMm: number): number => {
      const known = { plateMm, focalPx: 2105, printed: { along: 1, across: 1 } };
      const found = readPhotograph(picture, codes, known);
      if (!found.ok) throw new Error(found.code);
      return tracedOn(found).summary.pitchMm.value / LINE.pitchMm - 1;
    };
    expect(Math.abs(read(3))).toBeLessThan(0.0008);
    // Taken to lie in the paper's plane it would come out 1.5 / 400 too large.
    expect(read(0.001)).toBeGreaterThan(0.003);
  });

  it('two photographs that share a strip are joined by it, however alike the teeth', async () => {
    const even = { ...LINE, teeth: 90, unevenMm: 0, unequalMm: 0, unlikeDeg: 0 };
    const lengthMm = 89 * even.pitchMm;
    const look = async (xMm: number, tiltXDeg: number) => {
      const { picture, codes } = await seen(
        { strips: 2, lookAt: [xMm, 0], widthPx: 1300, tiltXDeg, loosely: 0.4, seed: 8 },
        even,
      );
      const read = laid(picture, codes);
      return { line: tracedOn(read), bench: read.bench };
    };
    const [first, second] = [await look(0.36 * lengthMm, 6), await look(0.64 * lengthMm, -9)];
    const shared = sharedTeeth(first, second);
    expect(shared).not.toBeNull();
    const joined = joinTraces(first.line, second.line, shared ?? 0);
    if (!joined.ok) throw new Error(joined.code);
    expect(joined.line.teeth.length).toBe(first.line.teeth.length + second.line.teeth.length - (shared ?? 0));
    const steps = joined.line.teeth.slice(1).map((t, i) => t.xMm - (joined.line.teeth[i]?.xMm ?? NaN));
    expect(Math.max(...steps.map((step) => Math.abs(step - even.pitchMm)))).toBeLessThan(0.4);
  });

  it('says what a photograph cannot give before any number, and what to do while framing', async () => {
    const { picture, codes } = await seen({ tiltXDeg: 10 });
    const good = glimpse(picture, codes, LINE.pitchMm);
    expect(good.says).toEqual([]);
    expect(good.marks).toBeGreaterThan(40);
    expect(Math.abs((good.toothPx ?? NaN) - (LINE.pitchMm * 3000) / 570)).toBeLessThan(2);
    expect(good.tiltDeg).toBeGreaterThan(2);
    expect(glimpse(picture, codes, 1.2).says).toEqual(['Go nearer: a tooth is too small.']);
    expect(glimpse(picture, [], 3).says[0]).toContain('No strip');

    const fault = (changed: GreyPicture, own = codes): string => {
      const read = readPhotograph(changed, own, FOCAL);
      return read.ok ? 'read' : read.code;
    };
    expect(fault(picture)).toBe('read');
    // Something lies over all but the codes' own columns; a hand shook.
    const columns = codes.map(({ corners }) => corners.map(([x]) => x));
    const bare = (x: number): boolean => columns.some((of) => x > Math.min(...of) - 8 && x < Math.max(...of) + 8);
    expect(fault({ ...picture, grey: picture.grey.map((g, i) => (bare(i % picture.widthPx) ? g : 120)) })).toBe(
      'marks-covered',
    );
    expect(fault(shaken(picture, 9))).toBe('blurred');
    const aside = await seen({ tiltXDeg: 40, heightPx: 700 });
    expect(fault(aside.picture, aside.codes)).toBe('too-oblique');
    const noise: GreyPicture = {
      widthPx: 900,
      heightPx: 500,
      grey: new Uint8Array(450_000).map((_, i) => (i * 7919) % 251),
    };
    expect(showsStrips(await seeCodes(noise))).toBeFalse();
  });

  it('a shadow along the teeth is said, uneven light over the whole is none', async () => {
    const lit = async (scene: Partial<PhotographScene>) => {
      const { picture, codes } = await seen(scene);
      const read = laid(picture, codes);
      return { light: read.facts.light, warns: photographWords(read, LINE.pitchMm).warnings };
    };
    const plain = await lit({ unevenLight: 0.4 });
    expect(plain.light).toBeGreaterThan(0.6);
    expect(plain.warns).toEqual([]);
    // The strips themselves lie in the light.
    const shaded = await lit({ shadow: 0.4 });
    expect(Math.abs(shaded.light - 0.4)).toBeLessThan(0.04);
    expect(shaded.warns).toEqual([jasmine.stringMatching(/^A shadow lies along the teeth/)]);
    expect((await lit({ shadow: 0.7 })).warns).toEqual([]);
  });

  it('a code is one of ours or none', () => {
    const strip = stripOf({ place: 'plate', number: 2 }, 'letter');
    expect(codeOf(strip.codes[1]?.text ?? '')?.strip).toEqual(strip);
    for (const text of ['ODS1AT0-1', 'ODS1ST1-3', 'odontis-ticket-7', '']) expect(codeOf(text)).toBeNull();
  });
});

describe('the camera beside an image-processing library', () => {
  it('OpenCV puts the same places of the bench on the same pixels, and the same map through the same places', async () => {
    const { cv } = await library();
    const turn = [0.31, -0.22, 1.1] as const;
    const camera = { turn, at: [12, -40, 580] as const, focalPx: 2900, k1: -0.12, k2: 0.05, cx: 2000, cy: 1500 };
    const places = [
      [0, 0, 0],
      [270, 12, 0],
      [-90, 200, -1.5],
      [33, -71, 4],
    ] as const;
    const project = projector(camera);
    const mat = (rows: number, columns: number, values: readonly number[]) =>
      cv.matFromArray(rows, columns, cv.CV_64F, [...values]);
    const points = mat(places.length, 3, places.flat());
    const [rvec, tvec] = [mat(3, 1, turn), mat(3, 1, camera.at)];
    const k = mat(3, 3, [2900, 0, 2000, 0, 2900, 1500, 0, 0, 1]);
    const bend = mat(1, 4, [camera.k1, camera.k2, 0, 0]);
    const out = new cv.Mat();
    cv.projectPoints(points, rvec, tvec, k, bend, out);
    const theirs = [...out.data64F];
    places.forEach(([x, y, z], i) => {
      const [u, v] = project(x, y, z);
      expect(u).toBeCloseTo(theirs[2 * i] ?? NaN, 6);
      expect(v).toBeCloseTo(theirs[2 * i + 1] ?? NaN, 6);
    });
    const back = turnOf(rotation(turn));
    back.forEach((value, i) => expect(value).toBeCloseTo(turn[i] ?? NaN, 9));

    const from = [
      [0, 0],
      [270, 3],
      [260, 40],
      [-4, 26],
      [120, 13],
    ] as const;
    const to = from.map(([x, y]) => [1.7 * x + 0.2 * y + 300 + 1e-4 * x * y, 2 * y - 0.1 * x + 200] as const);
    const ours = homography(from, to);
    const h = cv.findHomography(mat(5, 2, from.flat()), mat(5, 2, to.flat()));
    from.forEach((place) => {
      const [u, v] = mapped(ours ?? [], place);
      const [a, b] = mapped([...h.data64F], place);
      // Ours minimises in the plane of its equations, theirs refines in pixels: to a tenth of one they agree.
      expect(Math.hypot(u - a, v - b)).toBeLessThan(0.1);
    });
    for (const used of [points, rvec, tvec, k, bend, out, h]) used.delete();
  });

  it('a dot’s middle is where it was drawn, to two hundredths of a pixel', () => {
    for (const [x, y] of [
      [40.3, 41.8],
      [39.75, 40.5],
    ] as const) {
      const grey = new Uint8Array(80 * 80);
      for (let j = 0; j < 80; j++)
        for (let i = 0; i < 80; i++) {
          let ink = 0;
          for (let n = 0; n < 64; n++)
            if (Math.hypot(i + ((n % 8) + 0.5) / 8 - x, j + (Math.floor(n / 8) + 0.5) / 8 - y) < 7.5) ink++;
          grey[j * 80 + i] = Math.round(220 - (190 * ink) / 64);
        }
      const map = [5, 0, x + 0.8, 0, 5, y - 0.7, 0, 0, 1];
      const dot = findDot({ widthPx: 80, heightPx: 80, grey }, map, [0, 0]);
      expect(Math.hypot((dot?.at[0] ?? NaN) - x, (dot?.at[1] ?? NaN) - y)).toBeLessThan(0.02);
    }
  });
});

/** Drawn along the rows over so many px. */
function shaken({ widthPx, heightPx, grey }: GreyPicture, px: number): GreyPicture {
  const out = new Uint8Array(grey.length);
  for (let at = 0; at < grey.length; at++) {
    let sum = 0;
    for (let k = 0; k < px; k++) sum += grey[Math.min(grey.length - 1, at + k)] as number;
    out[at] = Math.round(sum / px);
  }
  return { widthPx, heightPx, grey: out };
}

const tiltOf = (x: number, y: number): number =>
  (Math.acos(Math.cos((x * Math.PI) / 180) * Math.cos((y * Math.PI) / 180)) * 180) / Math.PI;

/** The module is a thenable that never settles: it is looked at, not awaited. */
function library(): Promise<{ cv: typeof cvModule }> {
  const cv = cvModule;
  return new Promise((resolve) => {
    if (typeof cv.Mat === 'function') resolve({ cv });
    else cv.onRuntimeInitialized = () => resolve({ cv });
  });
}
