import type { RakerLineWish } from '../reference/made-raker-line';
import { madeRakerLine } from '../reference/made-raker-line';
import type { ScanWish, TrueTooth } from '../reference/made-scan';
import { madeScan } from '../reference/made-scan';
import { editTrace } from './edit-trace';
import { patternFromHeel } from './raker-pattern';
import { topOutline, traceOutline } from './trace-outline';
import { traceTeeth } from './trace-teeth';
import type { TracedLine } from './traced-line';

const AT_600: ScanWish = { dpi: 600, plateMm: 26, spaceMm: 5, gulletRadiusMm: 1 };
const TWO_MAN: RakerLineWish = { teeth: 25, pattern: 'CCCCR', pitchMm: 12, unequalMm: 0.12 };

function traced(wish: RakerLineWish, scan: ScanWish = AT_600, pattern = wish.pattern) {
  const teeth = madeRakerLine(wish);
  const made = madeScan(teeth, scan);
  const result = traceTeeth(made.picture, { mmPerPx: made.mmPerPx, pattern, heel: 'left' });
  if (!result.ok) throw new Error(`refused: ${result.code}`);
  return { teeth, line: result as TracedLine };
}

/** A raker's depth as it truly is: the line through the cutters beside it less its tips. */
function trueDepth(teeth: readonly TrueTooth[], at: number, rakers: ReadonlySet<number>): number {
  const cutter = (t: TrueTooth): boolean => t.kind === 'tooth' && !rakers.has(teeth.indexOf(t));
  const p = teeth.slice(0, at).findLast(cutter);
  const q = teeth.slice(at + 1).find(cutter);
  const here = teeth[at] as TrueTooth;
  if (!p || !q) return NaN;
  return p.yMm + ((here.xMm - p.xMm) / (q.xMm - p.xMm)) * (q.yMm - p.yMm) - here.yMm;
}

describe('tracing a saw of cutters and rakers', () => {
  const cases: [string, RakerLineWish, ScanWish][] = [
    ['four cutters and a raker', TWO_MAN, AT_600],
    ['two cutters and a raker', { ...TWO_MAN, pattern: 'CCR', teeth: 24 }, AT_600],
    ['a line that begins inside its pattern', { ...TWO_MAN, offset: 3 }, AT_600],
    ['one cutter and a raker by turns', { ...TWO_MAN, pattern: 'CR', teeth: 20, widthMm: 4 }, AT_600],
    ['narrow rakers', { ...TWO_MAN, widthMm: 4, innerDeg: 28 }, AT_600],
    ['askew and dusty', TWO_MAN, { ...AT_600, skewDeg: 2, dust: 30, noise: 3 }],
  ];
  for (const [name, wish, scan] of cases) {
    it(`${name}: every tooth, its role, place and depth`, () => {
      const { teeth, line } = traced(wish, scan);
      expect(line.teeth.length).toBe(teeth.length);
      expect(line.teeth.map((t) => (t.raker ? 'R' : 'C')).join('')).toBe(
        teeth.map((t) => (t.raker ? 'R' : 'C')).join(''),
      );
      const rakers = new Set(teeth.flatMap((t, i) => (t.raker ? [i] : [])));
      const from = teeth[0]?.xMm ?? 0;
      line.teeth.forEach((t, i) => {
        const truth = teeth[i] as TrueTooth;
        expect(Math.abs(t.xMm - (truth.xMm - from)))
          .withContext(`place ${i + 1}`)
          .toBeLessThan(0.05);
        if (!truth.raker) {
          expect(Math.abs((t.rakeDeg ?? NaN) - truth.rakeDeg))
            .withContext(`rake ${i + 1}`)
            .toBeLessThan(0.5);
          return;
        }
        expect(Math.abs((t.raker?.widthMm ?? NaN) - truth.raker.widthMm)).toBeLessThan(0.06);
        const notch = truth.raker.widthMm / 2 / Math.tan((truth.raker.innerDeg * Math.PI) / 180);
        // Its corner is rounded by the radius of the file.
        expect((t.raker?.notchMm ?? NaN) / notch).toBeGreaterThan(0.6);
        expect((t.raker?.notchMm ?? NaN) / notch).toBeLessThan(1.05);
        const depth = trueDepth(teeth, i, rakers);
        if (!Number.isNaN(depth)) expect(Math.abs((t.raker?.depthMm ?? NaN) - depth)).toBeLessThan(0.03);
      });
      expect(line.summary.rakers).toBe(rakers.size);
      expect(Math.abs(line.summary.pitchMm.value / wish.pitchMm - 1)).toBeLessThan(0.001);
      expect(line.summary.rakerDepthMm?.value).toBeGreaterThan(0.2);
    });
  }

  it('rakers with a single tip are found by standing low where the pattern has them', () => {
    const { teeth, line } = traced({ ...TWO_MAN, widthMm: 0, depthMm: 0.5, offset: 2 });
    expect(line.teeth.length).toBe(teeth.length);
    const rakers = line.teeth.filter((t) => t.raker).map((t) => t.tooth);
    expect(rakers).toEqual([3, 8, 13, 18, 23]);
    expect(patternFromHeel(line.teeth, 'CCCCR')).toBe('CCRCC');
    expect(line.summary.rakerDepthMm?.value).toBeGreaterThan(0.3);
  });

  it('on a breasted saw the arc over the cutters counts', () => {
    const wish = { ...TWO_MAN, pattern: 'CCR', teeth: 30, pitchMm: 14, unequalMm: 0, breastMm: 12 };
    const { line } = traced(wish, { ...AT_600, spaceMm: 8, plateMm: 34 });
    expect(line.summary.breastMm.value).toBeGreaterThan(10);
    expect(line.summary.rakerDepthMm?.value).toBeCloseTo(0.38, 1);
    expect(Math.abs((line.summary.rakerDepthMm?.value ?? NaN) - 0.38)).toBeLessThan(0.02);
  });

  it('a raker broken to a stub is a tooth in doubt at its place, not a lost group', () => {
    const { teeth, line } = traced({ ...TWO_MAN, broken: [10] });
    expect(line.teeth.length).toBe(teeth.length);
    expect(line.teeth[9]?.kind).toBe('broken');
    expect(line.teeth[4]?.raker).toBeDefined();
  });

  it('the outline goes through both tips and the notch; a tooth moved by hand takes its tips and depth along', () => {
    const { line } = traced(TWO_MAN);
    const raker = line.teeth[4];
    if (!raker?.raker) throw new Error('no raker');
    expect(topOutline(raker).length).toBe(3);
    const outline = traceOutline(line);
    expect(outline.every(([x], i) => i === 0 || x >= (outline[i - 1]?.[0] ?? 0) - 1e-6)).toBeTrue();
    const down = 10;
    const moved = editTrace(line, { do: 'move', tooth: 5, to: { x: raker.tipPx.x, y: raker.tipPx.y + down } });
    const after = moved.teeth[4]?.raker;
    expect((after?.depthMm ?? NaN) - (raker.raker.depthMm ?? NaN)).toBeCloseTo(down * line.mmPerPx, 3);
    expect((after?.tipsMm[0]?.[1] ?? NaN) - (raker.raker.tipsMm[0]?.[1] ?? NaN)).toBeCloseTo(-down * line.mmPerPx, 3);
  });

  it('without a pattern the two tips are two teeth, and a plain saw told of no rakers has none', () => {
    const made = madeScan(madeRakerLine({ ...TWO_MAN, pattern: 'C' }), AT_600);
    const plain = traceTeeth(made.picture, { mmPerPx: made.mmPerPx, pattern: 'C' });
    expect(plain.ok && plain.summary.rakers).toBe(0);
  });
});
