import { madeLine, madeScan } from '../reference/made-scan';
import { editTrace, withLooks } from './edit-trace';
import { joinTraces } from './join-traces';
import type { ScanWish } from '../reference/made-scan';
import type { GreyPicture } from './grey-picture';
import { traceTeeth } from './trace-teeth';
import type { TracedLine } from './traced-line';

const LINE = madeLine({ teeth: 60, pitchMm: 2.54, rakeDeg: -12, unevenMm: 0.08, unequalMm: 0.05, missing: [30] });

function trace(picture: GreyPicture, mmPerPx: number): TracedLine {
  const result = traceTeeth(picture, { mmPerPx, teethPoint: 'up' });
  if (!result.ok) throw new Error(result.code);
  return result;
}

/** Columns of a picture from one share of its width to another: a scan of a part of the saw. */
function part(picture: GreyPicture, from: number, to: number): GreyPicture {
  const [a, b] = [Math.round(from * picture.widthPx), Math.round(to * picture.widthPx)];
  const grey = new Uint8Array((b - a) * picture.heightPx);
  for (let y = 0; y < picture.heightPx; y++)
    grey.set(picture.grey.subarray(y * picture.widthPx + a, y * picture.widthPx + b), y * (b - a));
  return { widthPx: b - a, heightPx: picture.heightPx, grey };
}

const made = (wish: Partial<ScanWish> = {}) => madeScan(LINE, { dpi: 600, ...wish });

describe('editing a trace by hand', () => {
  const scan = made({ skewDeg: 2 });
  const line = trace(scan.picture, scan.mmPerPx);

  it('a tip put elsewhere on the picture moves by as many millimetres along its own line', () => {
    const tooth = line.teeth[10];
    if (!tooth) throw new Error('no tooth');
    const there = scan.place(10 * 2.54 + 0.5, -0.2);
    const after = editTrace(line, { do: 'move', tooth: 11, to: there });
    expect(after.teeth.length).toBe(line.teeth.length);
    const moved = after.teeth[10];
    expect(moved?.xMm).toBeCloseTo(10 * 2.54 + 0.5 - (LINE[0]?.xMm ?? 0), 1);
    expect(moved?.yMm).toBeCloseTo(-0.2, 1);
    expect(moved?.doubts).toEqual(['moved']);
    expect(moved?.errors.xMm).toBeCloseTo(scan.mmPerPx, 6);
    expect(after.summary.unequalMm).toBeGreaterThan(line.summary.unequalMm);
    expect(line.teeth[10]).toBe(tooth);
  });

  it('removing and adding number the teeth anew; the first tooth stands at 0', () => {
    const without = editTrace(line, { do: 'remove', tooth: 1 });
    expect(without.teeth.map((t) => t.tooth)).toEqual(Array.from({ length: 59 }, (_, i) => i + 1));
    expect(without.teeth[0]?.xMm).toBe(0);
    expect(without.summary.lengthMm).toBeCloseTo(line.summary.lengthMm - (line.teeth[1]?.xMm ?? 0), 9);
    const again = editTrace(without, { do: 'add', at: line.teeth[0]?.tipPx ?? { x: 0, y: 0 }, scan: 0 });
    expect(again.teeth.map((t) => t.tooth)).toEqual(line.teeth.map((t) => t.tooth));
    again.teeth.forEach((t, i) => expect(t.xMm).toBeCloseTo(line.teeth[i]?.xMm ?? NaN, 6));
    expect(again.teeth[0]?.doubts).toEqual(['added']);
  });

  it('a tooth called broken leaves the sums; called a tooth again it comes back; looked at it has no doubts', () => {
    const broken = editTrace(line, { do: 'call', tooth: 5, kind: 'broken' });
    expect(broken.summary.teeth).toBe(line.summary.teeth - 1);
    const back = editTrace(broken, { do: 'call', tooth: 5, kind: 'tooth' });
    expect(back.summary).toEqual(line.summary);
    expect(editTrace(line, { do: 'accept', tooth: 30 }).teeth[29]?.doubts).toEqual([]);
    expect(() => editTrace(line, { do: 'remove', tooth: 99 })).toThrowError(RangeError);
  });

  it('what was looked at stays looked at when the same picture is traced anew', () => {
    const there = scan.place(10 * 2.54 + 0.5, -0.2);
    let looked = editTrace(line, { do: 'move', tooth: 11, to: there });
    looked = editTrace(looked, { do: 'accept', tooth: 30 });
    looked = editTrace(looked, { do: 'call', tooth: 40, kind: 'broken' });
    looked = editTrace(looked, { do: 'remove', tooth: 50 });
    const anew = trace(scan.picture, scan.mmPerPx * 1.002);
    const kept = withLooks(anew, looked);
    expect(kept.teeth.length).toBe(59);
    expect(kept.teeth[10]?.tipPx).toEqual(there);
    expect(kept.teeth[10]?.doubts).toEqual(['moved']);
    expect(kept.teeth[29]?.doubts).toEqual([]);
    expect(kept.teeth[39]?.kind).toBe('broken');
    expect(kept.mmPerPx).toBe(anew.mmPerPx);
    expect(withLooks(anew, line)).toEqual(anew);
  });
});

describe('joining two scans of one saw', () => {
  it('lays the second on the first by the teeth they share, however each lay on the glass', () => {
    const [a, b] = [made({ skewDeg: 1, seed: 4 }), made({ skewDeg: -1.5, seed: 9 })];
    const whole = trace(a.picture, a.mmPerPx);
    const heel = trace(part(a.picture, 0, 0.62), a.mmPerPx);
    const toe = trace(part(b.picture, 0.4, 1), b.mmPerPx);
    expect(heel.notes).toContain('runs-out-at-toe');
    const joined = joinTraces(heel, toe);
    if (!joined.ok) throw new Error(joined.code);
    expect(joined.overlap).toBeGreaterThan(8);
    expect(joined.offMm).toBeLessThan(0.02);
    expect(joined.line.teeth.length).toBe(60);
    expect(joined.line.notes).not.toContain('runs-out-at-toe');
    joined.line.teeth.forEach((t, i) => {
      const truth = whole.teeth[i];
      expect(t.kind).toBe(truth?.kind ?? 'tooth');
      expect(Math.abs(t.xMm - (truth?.xMm ?? NaN))).toBeLessThan(0.03);
      expect(Math.abs(t.yMm - (truth?.yMm ?? NaN))).toBeLessThan(0.03);
    });
    // A hand on the second scan's picture still moves the right tooth.
    const last = joined.line.teeth[59];
    if (!last) throw new Error('no tooth');
    const same = editTrace(joined.line, { do: 'move', tooth: 60, to: last.tipPx });
    expect(same.teeth[59]?.xMm).toBeCloseTo(last.xMm, 6);
    expect(same.teeth[59]?.yMm).toBeCloseTo(last.yMm, 6);
  });

  it('says when they share nothing, share too like teeth, or were scanned differently', () => {
    const a = made();
    const heel = trace(part(a.picture, 0, 0.4), a.mmPerPx);
    const toe = trace(part(a.picture, 0.6, 1), a.mmPerPx);
    const apart = joinTraces(heel, toe);
    expect(apart.ok ? 'joined' : apart.code).toBe('scans-apart');
    const other = trace(part(a.picture, 0.3, 1), a.mmPerPx * 1.2);
    const scales = joinTraces(heel, other);
    expect(scales.ok ? 'joined' : scales.code).toBe('scales-differ');
    const even = madeScan(madeLine({ teeth: 60, pitchMm: 2.54, rakeDeg: -12 }), { dpi: 600 });
    const parts = [part(even.picture, 0, 0.62), part(even.picture, 0.4, 1)].map((p) => trace(p, even.mmPerPx)) as [
      TracedLine,
      TracedLine,
    ];
    const alike = joinTraces(...parts);
    expect(alike.ok ? 'joined' : alike.code).toBe('overlap-unclear');
    const shared = parts[0].teeth.length + parts[1].teeth.length - 60;
    const told = joinTraces(...parts, shared);
    expect(told.ok && told.line.teeth.length).toBe(60);
  });
});
