import type { LineWish, ScanWish } from '../reference/made-scan';
import { madeLine, madeScan, randomFrom, trueGullets } from '../reference/made-scan';
import { againstTruth } from '../reference/trace-truth';
import type { GreyPicture } from './grey-picture';
import type { TraceWish } from './trace-teeth';
import { traceTeeth } from './trace-teeth';
import type { TracedLine, TraceResult } from './traced-line';

/** Crosscut hand saw of eleven points, worn unevenly: what most cases start from. */
const WORN: LineWish = { teeth: 60, pitchMm: 2.54, rakeDeg: -14, unevenMm: 0.1, unequalMm: 0.07, unlikeDeg: 2 };
const AT_600: ScanWish = { dpi: 600 };

function traced(line: LineWish, scan: ScanWish, wish: Partial<TraceWish> = {}) {
  const teeth = madeLine(line);
  const made = madeScan(teeth, scan);
  const result = traceTeeth(made.picture, { mmPerPx: made.mmPerPx, ...wish });
  if (!result.ok) throw new Error(`refused: ${result.code}`);
  const length = (line.teeth - 1) * line.pitchMm;
  const slope = (x: number): number => (-(line.breastMm ?? 0) * 4 * ((2 * x) / length - 1)) / length;
  return { result, truth: againstTruth(teeth, made, result, slope, scan.gulletRadiusMm), teeth, made };
}

/** What the aims ask at 600 dots to the inch. */
function expectAims(name: string, truth: ReturnType<typeof againstTruth>): void {
  expect([truth.missed, truth.invented, truth.miscalled])
    .withContext(`${name}: missed, invented, miscalled`)
    .toEqual([0, 0, 0]);
  expect(truth.tipMm).withContext(`${name}: tips mm`).toBeLessThan(0.02);
  expect(truth.rakeDeg).withContext(`${name}: rake degrees`).toBeLessThan(0.5);
  expect(truth.backDeg).withContext(`${name}: back degrees`).toBeLessThan(0.5);
  expect(truth.pitchShare).withContext(`${name}: pitch`).toBeLessThan(0.001);
}

const refusalOf = (result: TraceResult): string => (result.ok ? 'traced' : result.code);
const plain = (widthPx: number, heightPx: number, value: (x: number, y: number) => number): GreyPicture => {
  const grey = new Uint8Array(widthPx * heightPx);
  for (let y = 0; y < heightPx; y++) for (let x = 0; x < widthPx; x++) grey[y * widthPx + x] = value(x, y);
  return { widthPx, heightPx, grey };
};

describe('tracing made scans with exact truth', () => {
  it('keeps to the aims on every kind of tooth at 600 dots to the inch', () => {
    const kinds: [string, LineWish, ScanWish][] = [
      ['rip back saw', { ...WORN, pitchMm: 1.8143, rakeDeg: 0 }, AT_600],
      ['crosscut', WORN, AT_600],
      ['wide jointing flats', { ...WORN, flatMm: 0.2 }, AT_600],
      ['narrow jointing flats', { ...WORN, flatMm: 0.06 }, AT_600],
      ['tips rounded by work', { ...WORN, roundMm: 0.08 }, AT_600],
      ['slightly rounded', { ...WORN, roundMm: 0.02 }, AT_600],
      [
        'hooked band',
        { teeth: 40, pitchMm: 6.35, rakeDeg: 8, unevenMm: 0.05, unlikeDeg: 1 },
        { ...AT_600, gulletRadiusMm: 0.8 },
      ],
      ['breasted', { ...WORN, teeth: 90, breastMm: 2 }, AT_600],
      ['hollow', { ...WORN, teeth: 90, breastMm: -0.6 }, AT_600],
      ['coarse', { ...WORN, teeth: 20, pitchMm: 8 }, { ...AT_600, plateMm: 20, spaceMm: 12 }],
    ];
    for (const [name, line, scan] of kinds) expectAims(name, traced(line, scan).truth);
  });

  it('keeps to them askew, dark or bright, unevenly lit, blurred and noisy', () => {
    const ways: [string, ScanWish][] = [
      ['5 degrees one way', { ...AT_600, skewDeg: 5 }],
      ['5 degrees the other', { ...AT_600, skewDeg: -5 }],
      ['bright plate', { ...AT_600, plateGrey: 205, spaceGrey: 40 }],
      ['weak contrast', { ...AT_600, plateGrey: 110, spaceGrey: 170, noise: 3 }],
      ['light falling off by a third', { ...AT_600, unevenLight: 0.33 }],
      ['noise', { ...AT_600, noise: 6 }],
      ['blur', { ...AT_600, blurPx: 1.1 }],
      ['a bevel’s strip', { ...AT_600, strip: { widthMm: 0.3, grey: 115 } }],
      ['rust on the plate', { ...AT_600, rust: 80 }],
    ];
    for (const [name, scan] of ways) expectAims(name, traced(WORN, scan).truth);
  });

  it('misses and invents none under dust, and names the broken and the missing', () => {
    const { result, truth } = traced(
      { ...WORN, teeth: 110, roundMm: 0.03, broken: [20, 55], missing: [70] },
      { ...AT_600, skewDeg: 4, noise: 5, dust: 250, rust: 40, unevenLight: 0.25, plateGrey: 90, spaceGrey: 200 },
    );
    expectAims('dust', truth);
    expect(result.teeth.filter((t) => t.kind === 'broken').map((t) => t.tooth)).toEqual([20, 55]);
    expect(result.teeth.filter((t) => t.kind === 'missing').map((t) => t.tooth)).toEqual([70]);
    expect(result.teeth.length).toBe(110);
    expect(result.summary).toEqual(jasmine.objectContaining({ teeth: 107, broken: 2, missing: 1 }));
  });

  it('a broken first or last tooth is numbered as it stands, however low its stub', () => {
    const worn = { unevenMm: 0.06, unequalMm: 0.03, unlikeDeg: 2, roundMm: 0.02, teeth: 24 };
    for (const [broken, rakeDeg, pitchMm, seed] of [
      [1, 3.3, 1.54, 4],
      [1, 0.4, 2.01, 14],
      [24, 2, 2.3, 43],
      [24, -12, 3, 44],
    ] as const) {
      const line = { ...worn, broken: [broken], rakeDeg, pitchMm, seed };
      const { result, truth } = traced(line, { dpi: 600, skewDeg: 2, noise: 3, seed }, { heel: 'left' });
      expect([result.teeth.length, truth.missed, truth.invented, truth.miscalled])
        .withContext(`seed ${seed}`)
        .toEqual([24, 0, 0, 0]);
      expect(result.teeth[broken - 1]?.kind).toBe('broken');
    }
  });

  it('dust over the stub of a broken tooth is none of it, and on the stub it wants a look', () => {
    for (const [up, radiusMm] of [
      [1.4, 0.25],
      [1.4, 0.4],
      [0.9, 0.12],
      [-0.4, 0.3],
    ] as const) {
      const line = { ...WORN, broken: [20] };
      const xMm = (madeLine(line)[19]?.xMm ?? NaN) + 0.1;
      const { result, truth } = traced(line, { ...AT_600, spaceMm: 4, specks: [{ xMm, yMm: up, radiusMm }] });
      expect([truth.missed, truth.invented, truth.miscalled]).withContext(`${up}`).toEqual([0, 0, 0]);
      const stub = result.teeth[19];
      expect(stub?.doubts).toContain('broken');
      expect(stub?.yMm).withContext(`${up}`).toBeLessThan(-0.7);
    }
    const lain = { ...WORN, broken: [20] };
    const at = madeLine(lain)[19]?.xMm ?? NaN;
    const specks = [{ xMm: at, yMm: -0.7, radiusMm: 0.4 }];
    expect(traced(lain, { ...AT_600, specks }).result.teeth[19]?.doubts).toContain('dust-at-tip');
  });

  it('fifteen points at 300 dots to the inch: no angle leans to one side, no speck in a gullet fills it', () => {
    for (const [rakeDeg, blurPx, most] of [
      [-20, 0.6, 0.12],
      [-8, 0.6, 0.12],
      [0, 0.6, 0.12],
      // So blurred, no gullet shows the space's own grey any more.
      [0, 0.9, 0.3],
    ] as const) {
      const line = { ...WORN, unevenMm: 0.03, unequalMm: 0.02, teeth: 100, rakeDeg, pitchMm: 25.4 / 15 };
      const [rakes, backs]: [number[], number[]] = [[], []];
      for (const seed of [1, 2, 3]) {
        const { result, teeth } = traced({ ...line, seed }, { dpi: 300, blurPx, seed }, { heel: 'left' });
        expect(result.teeth.length).toBe(100);
        result.teeth.forEach((t, i) => {
          rakes.push((t.rakeDeg ?? NaN) - (teeth[i]?.rakeDeg ?? NaN));
          backs.push((t.backDeg ?? NaN) - (teeth[i]?.backDeg ?? NaN));
        });
      }
      const mean = (values: number[]): number => values.reduce((s, v) => s + v, 0) / values.length;
      expect(Math.abs(mean(rakes)))
        .withContext(`rake ${rakeDeg}, blur ${blurPx}`)
        .toBeLessThan(most);
      expect(Math.abs(mean(backs)))
        .withContext(`back at ${rakeDeg}`)
        .toBeLessThan(0.15);
    }
    const line = { ...WORN, unevenMm: 0.03, unequalMm: 0.02, pitchMm: 25.4 / 15 };
    const [xMm, yMm] = trueGullets(madeLine(line))[20] as readonly [number, number];
    const gullet = (specks: ScanWish['specks']): number =>
      traced(line, { dpi: 300, specks }, { heel: 'left' }).result.teeth[20]?.gulletMm ?? NaN;
    const clean = gullet([]);
    for (const [up, radiusMm] of [
      [0.25, 0.15],
      [0.15, 0.2],
    ] as const)
      expect(Math.abs(gullet([{ xMm, yMm: yMm + up, radiusMm }]) - clean) / (25.4 / 300)).toBeLessThan(0.6);
  });

  it('clean bevelled teeth are called neither dust nor burr, however their bevels shine', () => {
    let [bevelled, called] = [0, 0];
    for (const [widthMm, grey, seed] of [
      [0.25, 125, 1],
      [0.4, 145, 2],
      [0.5, 138, 3],
      [0.3, 110, 4],
    ] as const) {
      const { result, truth } = traced({ ...WORN, seed }, { ...AT_600, strip: { widthMm, grey }, seed });
      expect([truth.missed, truth.invented, truth.miscalled]).toEqual([0, 0, 0]);
      // The strip's own grey at a point leaves a few hundredths more.
      expect(truth.tipMm).withContext(`strip of ${widthMm}`).toBeLessThan(0.03);
      expect(truth.rakeDeg).withContext(`strip of ${widthMm}`).toBeLessThan(0.3);
      bevelled += result.teeth.length / 2;
      called += result.teeth.filter((t) => t.doubts.includes('dust-at-tip')).length;
    }
    expect(called).toBeLessThan(0.03 * bevelled);
  });

  it('says that the line may run on only where no level plate shows its end', () => {
    const notes = (beyondPitches: number): readonly string[] =>
      traced(
        WORN,
        { ...AT_600, skewDeg: 1, beyondMm: 40, endsMm: -40 - (1 - beyondPitches) * WORN.pitchMm },
        { teethPoint: 'up' },
      ).result.notes;
    expect(notes(0.4)).toContain('runs-out-at-toe');
    expect(notes(0.9)).not.toContain('runs-out-at-toe');
    expect(notes(1.2).filter((note) => note.startsWith('runs-out'))).toEqual([]);
  });

  it('its standard errors are honest to a factor of two over many scans', () => {
    const next = randomFrom(3);
    const tips: number[] = [];
    const rakes: number[] = [];
    for (let k = 0; k < 14; k++) {
      const rakeDeg = -25 * next();
      const { truth } = traced(
        { ...WORN, teeth: 40, rakeDeg, flatMm: k % 2 ? 0.25 * next() : 0, seed: k },
        { ...AT_600, noise: 1 + 4 * next(), skewDeg: 8 * next() - 4, blurPx: 0.5 + 0.4 * next(), seed: k },
      );
      expectAims(`scan ${k}`, truth);
      tips.push(truth.tipErrors ** 2);
      rakes.push(truth.rakeErrors ** 2);
    }
    const whole = (squares: number[]): number => Math.sqrt(squares.reduce((s, v) => s + v, 0) / squares.length);
    for (const errors of [whole(tips), whole(rakes)]) {
      // On the safe side: an error that none is to pass three times over is stated larger than the usual scatter.
      expect(errors).toBeGreaterThan(0.33);
      expect(errors).toBeLessThan(2);
    }
  });

  it('measures flats, gullets and the breast of the whole line', () => {
    const flats = traced({ ...WORN, flatMm: 0.15 }, AT_600);
    expect(flats.truth.flatMm).toBeLessThan(0.02);
    for (const [line, radius] of [
      [WORN, 0.05],
      [{ ...WORN, pitchMm: 1.8143, rakeDeg: 0 }, 0.05],
      [WORN, 0.2],
    ] as const)
      expect(traced(line, { ...AT_600, gulletRadiusMm: radius }).truth.gulletMm)
        .withContext(`gullet of ${radius}`)
        .toBeLessThan(0.03);
    const breast = traced({ ...WORN, teeth: 120, breastMm: 3, unequalMm: 0 }, AT_600).result.summary.breastMm;
    expect(Math.abs(breast.value - 3)).toBeLessThan(Math.max(0.01, 3 * breast.error));
    const hollow = traced({ ...WORN, teeth: 120, breastMm: -0.5 }, AT_600).result.summary.breastMm;
    expect(hollow.value).toBeLessThan(0);
    expect(Math.abs(hollow.value + 0.5)).toBeLessThan(3 * hollow.error);
  });

  it('reads 300 to 2400 dots to the inch', () => {
    for (const [dpi, teeth, tipMm] of [
      [300, 60, 0.03],
      [1200, 40, 0.01],
      [2400, 20, 0.01],
    ] as const) {
      const { truth } = traced({ ...WORN, teeth, roundMm: 0.01 }, { dpi, skewDeg: 2 });
      expect([truth.missed, truth.invented]).toEqual([0, 0]);
      expect(truth.tipMm).withContext(`${dpi}`).toBeLessThan(tipMm);
    }
  });

  it('finds teeth so fine and many that a coarse look runs them together', () => {
    const { truth, result } = traced(
      { ...WORN, teeth: 800, pitchMm: 1.2, unevenMm: 0.03, unequalMm: 0.02 },
      { dpi: 300 },
    );
    expect([truth.missed, truth.invented]).toEqual([0, 0]);
    expect(result.summary.pitchMm.value).toBeCloseTo(1.2, 3);
  });

  it('lies a picture any way round: the same teeth come out, and it says how the picture lay', () => {
    const upright = traced(WORN, AT_600).result;
    const same = (other: TracedLine): void => {
      expect(other.teeth.length).toBe(upright.teeth.length);
      other.teeth.forEach((t, i) => {
        expect(t.xMm).toBeCloseTo(upright.teeth[i]?.xMm ?? NaN, 2);
        expect(t.rakeDeg ?? NaN).toBeCloseTo(upright.teeth[i]?.rakeDeg ?? NaN, 0);
      });
    };
    const notes = ([1, 2, 3] as const).map((quarterTurns) => {
      const { result } = traced(WORN, { ...AT_600, quarterTurns });
      same(result);
      return result.notes;
    });
    expect(notes[0]).toContain('turned-quarter');
    expect(notes[1]).toContain('turned-over');
    expect(notes[2]).toContain('turned-quarter');
    same(traced(WORN, { ...AT_600, mirrored: true }).result);
  });

  it('a picture that contradicts what was said of heel or cut is traced, and says so', () => {
    expect(traced(WORN, { ...AT_600, mirrored: true }, { heel: 'left' }).result.notes).toContain('faces-look-back');
    expect(traced(WORN, AT_600, { heel: 'left' }).result.notes).not.toContain('faces-look-back');
    const pull = traced(WORN, AT_600, { cuts: 'pull' }).result;
    expect(pull.teeth[0]?.tipPx.x).toBeGreaterThan(pull.teeth[59]?.tipPx.x ?? Infinity);
    expect(pull.summary.rakeDeg?.value).toBeCloseTo(-14, 0);
    // Peg teeth look the same from either end.
    expect(traced({ ...WORN, rakeDeg: -30, unlikeDeg: 0 }, AT_600).result.notes).toContain('heel-guessed');
  });

  it('cut off mid-tooth, the cut teeth are left out and that is said; with the points cut off it is refused', () => {
    const { result, truth } = traced(WORN, { ...AT_600, endsMm: -21.3 }, { teethPoint: 'up' });
    expect(result.notes).toEqual(jasmine.arrayContaining(['runs-out-at-heel', 'runs-out-at-toe']));
    expect(truth.invented).toBe(0);
    expect(truth.tipMm).toBeLessThan(0.02);
    const made = madeScan(madeLine(WORN), { ...AT_600, spaceMm: -0.4 });
    expect(['cut-off', 'no-tooth-line']).toContain(refusalOf(traceTeeth(made.picture, { mmPerPx: made.mmPerPx })));
  });

  it('refuses what holds no tooth line, each with its own reason', () => {
    const wish = { mmPerPx: 0.0423 };
    const next = randomFrom(5);
    const noise = plain(600, 400, () => 255 * next());
    const fur = plain(
      900,
      700,
      (x, y) => 128 + 60 * Math.sin(x / 9 + 3 * Math.sin(y / 31)) * Math.cos(y / 14) + 30 * (next() - 0.5),
    );
    const face = plain(900, 700, (x, y) => {
      const at = (cx: number, cy: number, r: number): boolean => Math.hypot(x - cx, y - cy) < r;
      return (at(450, 380, 250) || at(280, 170, 90) || at(620, 170, 90) ? 70 : 200) + 20 * next();
    });
    expect(
      refusalOf(
        traceTeeth(
          plain(800, 300, () => 0),
          wish,
        ),
      ),
    ).toBe('one-grey');
    expect(
      refusalOf(
        traceTeeth(
          plain(800, 300, () => 255),
          wish,
        ),
      ),
    ).toBe('one-grey');
    expect(
      refusalOf(
        traceTeeth(
          plain(8, 8, () => 0),
          wish,
        ),
      ),
    ).toBe('too-small');
    for (const [name, picture] of [
      ['noise', noise],
      ['fur', fur],
      ['a round face with ears', face],
      ['an edge without teeth', plain(1200, 300, (_, y) => (y < 150 ? 220 : 60) + 6 * next())],
      ['ruled paper', plain(1200, 600, (x) => (x % 40 < 3 ? 60 : 220) + 6 * next())],
    ] as const)
      expect(refusalOf(traceTeeth(picture, wish)))
        .withContext(name)
        .toBe('no-tooth-line');
    const fine = madeScan(madeLine({ ...WORN, pitchMm: 0.5 }), { dpi: 300 });
    expect(['teeth-too-fine', 'no-tooth-line']).toContain(
      refusalOf(traceTeeth(fine.picture, { mmPerPx: fine.mmPerPx })),
    );
    expect(() => traceTeeth(noise, { mmPerPx: 0 })).toThrowError(RangeError);
  });

  it('reports its progress in order, from nothing to all', () => {
    const shares: number[] = [];
    traced(WORN, AT_600, { report: (share) => shares.push(share) });
    expect(shares[0]).toBe(0);
    expect(shares[shares.length - 1]).toBe(1);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.length).toBeGreaterThan(6);
  });
});
