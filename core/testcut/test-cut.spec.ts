import fc from 'fast-check';
import type { Piece } from './envelope';
import { envelopeAt, upperEnvelope, withoutCovered } from './envelope';
import { hopMm } from './hop';
import type { ToothSection } from './kerf-section';
import { cuttingEdge, kerfMakers, kerfSection, wallMarks } from './kerf-section';
import type { CuttingLine } from './load';
import { loadsAgainstSink, scoringLoads, toothLoads } from './load';

const line = (heights: readonly number[], cut: 'push' | 'pull' = 'push', off: readonly number[] = []): CuttingLine => ({
  xMm: Float64Array.from(heights, (_, i) => i * 2 + (off[i] ?? 0)),
  heightMm: Float64Array.from(heights),
  pitchMm: 2,
  cut,
});
const heights = fc.array(fc.double({ min: -0.2, max: 0, noNaN: true }), { minLength: 2, maxLength: 50 });
const sink = fc.double({ min: 0.001, max: 0.3, noNaN: true });

/** Stroke after stroke over a column of wood, tooth by tooth: what each takes once the pattern has settled. */
function byStrokes(l: CuttingLine, sinkMm: number): number[] {
  const n = l.xMm.length;
  const order = Array.from({ length: n }, (_, k) => (l.cut === 'push' ? n - 1 - k : k));
  const round = (l.xMm[n - 1] as number) - (l.xMm[0] as number) + l.pitchMm;
  const taken = new Array<number>(n).fill(0);
  let floor = -1e9;
  for (let stroke = 0; stroke < 3; stroke++) {
    for (const i of order) {
      const gone = stroke * round + Math.abs((l.xMm[i] as number) - (l.xMm[order[0] as number] as number));
      const depth = (l.heightMm[i] as number) + (sinkMm * gone) / l.pitchMm;
      taken[i] = Math.max(0, depth - floor);
      floor = Math.max(floor, depth);
    }
  }
  return taken;
}

describe('load on every tooth', () => {
  it('even teeth carry the sink each', () => {
    const { loadMm, shareWorking, worstOverMean } = toothLoads(line(new Array<number>(20).fill(0)), 0.05);
    loadMm.forEach((c) => expect(c).toBeCloseTo(0.05, 12));
    expect([shareWorking, worstOverMean]).toEqual([1, jasmine.any(Number)]);
    expect(worstOverMean).toBeCloseTo(1, 9);
  });
  it('by hand: on a push saw a tall tooth robs the one to its heel, on a pull saw the one to its toe', () => {
    // A tooth 0.1 higher among ten, sink 0.05 a pitch: it carries 3 x 0.05, the two after it none.
    const tall = [0, 0, 0, 0, 0.1, 0, 0, 0, 0, 0];
    const push = toothLoads(line(tall), 0.05).loadMm;
    expect([2, 3, 4, 5].map((i) => Math.round((push[i] as number) * 1e9) / 1e9)).toEqual([0, 0, 0.15, 0.05]);
    const pull = toothLoads(line(tall, 'pull'), 0.05).loadMm;
    expect([3, 4, 5, 6].map((i) => Math.round((pull[i] as number) * 1e9) / 1e9)).toEqual([0.05, 0.15, 0, 0]);
  });
  it('is what three strokes over a column of wood take, at even and at uneven spacing', () => {
    fc.assert(
      fc.property(
        heights,
        sink,
        fc.array(fc.double({ min: -0.4, max: 0.4, noNaN: true }), { maxLength: 50 }),
        fc.boolean(),
        (e, d, off, push) => {
          const l = line(e, push ? 'push' : 'pull', off);
          const ours = toothLoads(l, d).loadMm;
          byStrokes(l, d).forEach((c, i) => expect(ours[i]).toBeCloseTo(c, 9));
        },
      ),
    );
  });
  it('loads sum to n d; a pull saw’s are the mirror image', () => {
    fc.assert(
      fc.property(heights, sink, (e, d) => {
        const push = toothLoads(line(e), d);
        expect(push.totalMm).toBeCloseTo(e.length * d, 9);
        const pull = toothLoads(line([...e].reverse(), 'pull'), d);
        push.loadMm.forEach((c, i) => expect(pull.loadMm[e.length - 1 - i]).toBeCloseTo(c, 9));
      }),
    );
  });
  it('equal heights at uneven spacing load unevenly, and still sum', () => {
    const off = [0, 0.5, -0.3, 0.2, 0, -0.5, 0.1, 0];
    const result = toothLoads(line(new Array<number>(8).fill(0), 'push', off), 0.05);
    expect(result.worstOverMean).toBeGreaterThan(1.2);
    expect(result.totalMm).toBeCloseTo(8 * 0.05, 9);
  });
  it('the faster it sinks the more teeth work', () => {
    fc.assert(
      fc.property(heights, (e) => {
        const shares = loadsAgainstSink(line(e), [0.005, 0.02, 0.08, 0.3]).map((r) => r.shareWorking);
        shares.slice(1).forEach((s, k) => expect(s).toBeGreaterThanOrEqual((shares[k] as number) - 1e-12));
      }),
    );
  });
  it('a fleamed saw scores two lines: equal teeth carry 2 d, and what stands tall on one side robs only its own', () => {
    const right = Uint8Array.from({ length: 12 }, (_, i) => i % 2);
    const even = scoringLoads(line(new Array<number>(12).fill(0)), right, 0.05);
    even.loadMm.forEach((c) => expect(c).toBeCloseTo(0.1, 12));
    expect(even.leftMm).toBeCloseTo(even.rightMm, 12);
    const e = new Array<number>(12).fill(0);
    e[5] = 0.1;
    const tall = scoringLoads(line(e), right, 0.05);
    expect(tall.loadMm[5]).toBeCloseTo(0.2, 12);
    expect(tall.loadMm[3]).toBeCloseTo(0, 12);
    [0, 2, 4, 6, 8].forEach((i) => expect(tall.loadMm[i]).toBeCloseTo(0.1, 12));
  });
  it('no teeth, no load; a saw never sinks upwards', () => {
    expect(toothLoads(line([]), 0.1).totalMm).toBe(0);
    expect(() => toothLoads(line([0, 0]), -0.1)).toThrowError(RangeError);
    expect(() => scoringLoads(line([0, 0]), new Uint8Array(1), 0.1)).toThrowError(RangeError);
  });
});

describe('the hop of a saw on its teeth', () => {
  it('is what looking through every window finds', () => {
    fc.assert(
      fc.property(heights, fc.double({ min: 2.1, max: 40, noNaN: true }), (e, board) => {
        const l = line(e);
        const tops: number[] = [];
        for (let i = 0; i < e.length; i++) {
          if (2 * i < board && i < e.length - 1) continue;
          const inside = e.filter((_, k) => k <= i && 2 * (i - k) <= board);
          tops.push(Math.max(...inside));
        }
        expect(hopMm(l.xMm, l.heightMm, board)).toBeCloseTo(Math.max(...tops) - Math.min(...tops), 12);
      }),
    );
  });
  it('an even saw does not hop; one tall tooth lifts it by its height', () => {
    const l = line(new Array<number>(60).fill(0));
    expect(hopMm(l.xMm, l.heightMm, 20)).toBe(0);
    l.heightMm[30] = 0.12;
    expect(hopMm(l.xMm, l.heightMm, 20)).toBeCloseTo(0.12, 12);
    expect(() => hopMm(l.xMm, l.heightMm, 0)).toThrowError(RangeError);
  });
});

const tooth = (n: number, more: Partial<ToothSection> = {}): ToothSection => ({
  tooth: n,
  heightMm: 0,
  lean: n % 2 ? 'left' : 'right',
  setMm: 0.1,
  dropMm: 0,
  ...more,
});

describe('the kerf in section', () => {
  it('the envelope is at every place the highest of the pieces', () => {
    const piece = fc
      .tuple(
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
        fc.double({ min: -1, max: 1, noNaN: true }),
      )
      .map(([z, w, y0, y1]): Piece => ({ z0: z, z1: z + w, y0, y1 }));
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 25 }), (pieces) => {
        const envelope = upperEnvelope(pieces);
        const bare = upperEnvelope(withoutCovered(pieces));
        for (let z = -1.1; z < 2.1; z += 0.0173) {
          const want = pieces
            .filter((p) => z > p.z0 + 1e-6 && z < p.z1 - 1e-6)
            .reduce((m, p) => Math.max(m, p.y0 + ((p.y1 - p.y0) * (z - p.z0)) / (p.z1 - p.z0)), -Infinity);
          if (Number.isFinite(want)) expect(envelopeAt(envelope, z)).toBeGreaterThan(want - 1e-6);
          const most = Math.max(...pieces.flatMap((p) => [p.y0, p.y1]));
          expect(envelopeAt(envelope, z)).toBeLessThanOrEqual(most + 1e-9);
          expect(envelopeAt(bare, z)).toBeCloseTo(envelopeAt(envelope, z), 9);
        }
        envelope.slice(1).forEach((p, k) => expect(p.z0).toBeGreaterThanOrEqual((envelope[k] as Piece).z1 - 1e-9));
      }),
      { numRuns: 60 },
    );
  });
  it('what lies under another piece from end to end is left out, what stands out anywhere is not', () => {
    const under: Piece = { z0: -0.5, z1: 0.5, y0: 0.1, y1: 0.2 };
    const over: Piece = { z0: -1, z1: 1, y0: 0.3, y1: 0.3 };
    const aside: Piece = { z0: 0.5, z1: 1.1, y0: 0, y1: 0 };
    const many = Array.from({ length: 40 }, (_, i): Piece => ({ ...under, y0: 0.1 - i / 100, y1: 0.2 - i / 100 }));
    expect(withoutCovered([...many, over, aside]).slice(-2)).toEqual([over, aside]);
    expect(withoutCovered([...many, over, aside]).length).toBeLessThan(12);
  });

  it('by hand: a rip saw cuts plate and both sides wide, with a flat floor', () => {
    const section = kerfSection(
      [1, 2, 3, 4].map((n) => tooth(n)),
      0.8,
      0.4,
    );
    expect(section.widthMm).toBeCloseTo(1, 12);
    expect([section.leftMm, section.rightMm]).toEqual([0.5, 0.5]);
    expect(section.ridgeMm).toBe(0);
    expect(section.polygon.length).toBe(4);
  });
  it('by hand: fleamed points score two lines and leave a ridge between', () => {
    const section = kerfSection([tooth(1, { dropMm: 0.4 }), tooth(2, { dropMm: 0.4 })], 0.8, 0.8);
    // Each edge falls 0.4 from z = 0.5 to z = 0.05 - 0.4 = -0.35; they cross in the middle, at 0.4 x 0.5 / 0.85 down.
    expect(section.ridgeMm).toBeCloseTo((0.4 * 0.5) / 0.85, 9);
    expect(section.floor.length).toBe(2);
  });
  it('is the union of the teeth, column by column', () => {
    const section = fc.record({
      heightMm: fc.double({ min: -0.1, max: 0, noNaN: true }),
      setMm: fc.double({ min: 0, max: 0.15, noNaN: true }),
      dropMm: fc.double({ min: 0, max: 0.5, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(section, { minLength: 2, maxLength: 20 }), (parts) => {
        const teeth = parts.map((p, i) => tooth(i + 1, p));
        const cut = kerfSection(teeth, 0.8, 0.6);
        const edges = teeth.map((t) => cuttingEdge(t, 0.8, 0.6));
        expect(-cut.leftMm).toBeCloseTo(Math.min(...edges.map((e) => e.z0)), 9);
        expect(cut.rightMm).toBeCloseTo(Math.max(...edges.map((e) => e.z1)), 9);
        for (let z = -0.35; z <= 0.35; z += 0.01) {
          // At a corner itself the floor has two heights.
          if (edges.some((e) => Math.abs(z - e.z0) < 1e-9 || Math.abs(z - e.z1) < 1e-9)) continue;
          const top = edges
            .filter((e) => z > e.z0 && z < e.z1)
            .map((e) => e.y0 + ((e.y1 - e.y0) * (z - e.z0)) / (e.z1 - e.z0));
          if (top.length > 0) expect(envelopeAt(cut.floor, z)).toBeCloseTo(Math.max(...top), 9);
        }
      }),
    );
  });
  it('says which teeth make it: the furthest out on either side and the deepest; alike, none', () => {
    const one = [tooth(1, { setMm: 0.12 }), tooth(2), tooth(3), tooth(4, { setMm: 0.11, heightMm: -0.01 })];
    expect(kerfMakers(one)).toEqual({ left: 1, right: 4, deepest: null });
    expect(kerfMakers([...one, tooth(5, { heightMm: 0.02 })]).deepest).toBe(5);
    expect(kerfMakers([tooth(1), tooth(2), tooth(3), tooth(4)])).toEqual({ left: null, right: null, deepest: null });
  });
  it('names single teeth that stand out and scratch the wall, the worst first', () => {
    const teeth = Array.from({ length: 20 }, (_, i) => tooth(i + 1, { setMm: i === 6 ? 0.15 : i === 11 ? 0.13 : 0.1 }));
    expect(wallMarks(teeth).map((m) => [m.tooth, m.side])).toEqual([
      [7, 'left'],
      [12, 'right'],
    ]);
  });
  it('refuses nothing at all', () => {
    expect(() => kerfSection([], 0.8, 0.4)).toThrowError(RangeError);
    expect(() => kerfSection([tooth(1)], 0, 0.4)).toThrowError(RangeError);
  });
});
