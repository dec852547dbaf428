import { plainFacts } from '../../plain-facts';
import fc from 'fast-check';
import { exampleRecord } from '../../../reference/examples';
import { randomSaw } from '../../../reference/random-saw';
import { mirrorReadings, mirrorTooth } from '../../../reference/mirror';
import { heightOn } from '../../../line/joint-line';
import type { LengthReading } from '../../../evidence/reading';
import type { SessionReadings } from '../../../evidence/session';
import { ordinarySaw } from '../../../saw/ordinary-saws';
import type { SawOf } from '../../../saw/saw';
import { teethOf } from '../../../saw/saw';
import type { WorkFacts } from '../../family-work';
import { PLAIN_WISH } from '../../family-work';
import type { LineOrder } from '../../order';
import type { PullRecord } from '../../saw-record';
import { pullWork } from './work';

const record = exampleRecord<PullRecord>('pull-saw');
const orderOf = (of: PullRecord, depthMm?: number): LineOrder =>
  (pullWork.ofRecord(of, depthMm) as { order: LineOrder }).order;
const edges = (order: LineOrder) => order.steps.filter((s) => s.kind === 'edge').map((s) => `${s.edge} ${s.side}`);

describe('the work of a pull saw', () => {
  // Common practice, no source (trade section 7): two or three filings of the top bevel, then all three edges.
  it('its third filing is still the top bevels, its fourth all three edges, flanks first and the top last', () => {
    const at = (topOnlySince: number) => orderOf({ ...record, topOnlySince });
    expect([0, 3].map((n) => at(n).work)).toEqual(['top-bevels', 'sharpen']);
    expect(edges(at(0))).toEqual(['top right', 'top left']);
    expect(edges(at(3))).toEqual(['face right', 'face left', 'back right', 'back left', 'top right', 'top left']);
  });

  it('low teeth are sharpened like all the others; levelling comes on top, at the top bevel', () => {
    const readings = record.readings.map((r) => (r.tooth === 5 ? { ...r, yMm: r.yMm - 0.3 } : r));
    const order = orderOf({ ...record, readings, topOnlySince: 3, habits: { strokesPerGullet: 3 } }, 0.15);
    const strokes = (edge: string, tooth: number) =>
      order.steps
        .filter((s) => s.edge === edge)
        .flatMap((s) => s.stops)
        .find((s) => s.at === tooth)?.strokes;
    expect([strokes('face', 5), strokes('back', 5), strokes('top', 5)]).toEqual([3, 3, 3]);
    const tops = order.steps.filter((s) => s.edge === 'top').flatMap((s) => s.stops.map((stop) => stop.strokes));
    expect(Math.min(...tops)).toBe(3);
    expect(Math.max(...tops)).toBeGreaterThan(3);
    expect(order.targets.find((t) => t.tooth === 5)?.yMm).toBeCloseTo(readings[4]?.yMm ?? NaN, 12);
  });

  it('an even line is only sharpened, its set left alone and said why', () => {
    const even = orderOf({ ...record, readings: record.readings.map((r) => ({ ...r, yMm: 0, setMm: null })) });
    expect(even.choice.depthMm).toBe(0);
    expect(even.steps.map((s) => s.kind)).toEqual(['edge', 'edge', 'test', 'finish']);
    expect(even.forecast.set.reset).toBeFalse();
    expect(even.reasons.some((r) => r.otherwise?.includes('usually left alone'))).toBeTrue();
  });

  it('its mirror image, tooth for tooth, is levelled alike', () => {
    fc.assert(
      fc.property(randomSaw(40), ({ readings, pitchMm }) => {
        const own = { ...record, pitchMm, readings };
        const mirrored = { ...own, readings: mirrorReadings(readings, 500) };
        const [a, b] = [orderOf(own, 0.1), orderOf(mirrored, 0.1)];
        const over = (order: LineOrder) =>
          new Map(order.targets.map((t) => [t.tooth, t.yMm - heightOn(order.forecast.line, t.xMm)]));
        const [left, right] = [over(a), over(b)];
        left.forEach((mm, tooth) => expect(right.get(mirrorTooth(tooth, readings.length))).toBeCloseTo(mm, 6));
      }),
      { numRuns: 30 },
    );
  });

  it('three edges that leave no tooth are refused in a sentence', () =>
    expect(() => orderOf({ ...record, faceDeg: -40, backDeg: 20 })).toThrowError(RangeError, /no tooth/));
});

describe('a two-edged pull saw', () => {
  const saw: SawOf<'pull'> = { ...(ordinarySaw('pull-two-edged') as SawOf<'pull'>), ripPitchMm: 2.4, toothLineMm: 60 };
  const reading = (part: string, quantity: LengthReading['quantity'], place: number, value: number): LengthReading => ({
    ...{ key: `${part}-${quantity}-${place}`, quantity, place, value, gauge: 'straight-edge', part },
    ...{ setAside: false, corrects: null, simulated: false },
  });
  const heights = (part: string, teeth: number) =>
    Array.from({ length: teeth }, (_, i) => reading(part, 'height', i + 1, -0.03 * (i % 3)));
  const facts = (readings: LengthReading[], more: Partial<SawOf<'pull'>> = {}): WorkFacts =>
    plainFacts({ ...saw, ...more }, [{ key: 'a', kind: 'before', readings } satisfies SessionReadings], {
      replacement: 20,
    });
  const crosscut = teethOf({ ...saw, edges: 1, ripPitchMm: undefined });
  const rip = teethOf(saw) - crosscut;

  it('has two lines of its own under one order: each its pitch, its teeth and its steps, the ends of the work once', () => {
    const studied = pullWork.study(facts([...heights('crosscut', crosscut), ...heights('rip', rip)]), PLAIN_WISH);
    if (!studied.ok) throw new Error(studied.code);
    expect(studied.coverage.partial).toBeFalse();
    const order = pullWork.order(studied.study, 0, null);
    expect([order.inputs.saw.filing, order.beside?.inputs.saw.filing]).toEqual(['crosscut', 'rip']);
    expect(order.beside?.inputs.saw.pitchMm).toBe(2.4);
    expect(order.beside?.targets.length).toBe(rip);
    expect(order.steps.map((s) => s.line)).toEqual(['crosscut', 'crosscut', 'rip', undefined, undefined]);
    // A rip filing is square across: it needs no turning.
    expect(order.steps.filter((s) => s.kind === 'finish').length).toBe(1);
  });

  it('each edge has the rate of the file it is worked with', () => {
    const measured = facts([...heights('crosscut', crosscut), ...heights('rip', rip)], { ripPitchMm: 4 });
    const asked: string[] = [];
    const strokeRateOf = (file: string) => {
      asked.push(file);
      return { rateMmPerStroke: 0.01 * asked.length, errorMmPerStroke: 0, readings: 1 };
    };
    const studied = pullWork.study({ ...measured, strokeRateOf }, PLAIN_WISH);
    if (!studied.ok) throw new Error(studied.code);
    const { study } = studied;
    expect(asked).toEqual([study.file.file.name, study.beside?.study.file.file.name ?? '']);
    expect([study, study.beside?.study].map((one) => one?.inputs.strokeRate.rateMmPerStroke)).toEqual([0.01, 0.02]);
  });

  it('with one edge measured says so; beside a hardened edge the soft one is the whole saw', () => {
    const one = heights('rip', rip);
    const alone = pullWork.study(facts(one), PLAIN_WISH);
    expect(alone.ok && [alone.coverage.partial, alone.coverage.otherEdge]).toEqual([true, 'crosscut']);
    const soft = pullWork.study(facts(one, { hardEdge: 'crosscut' }), PLAIN_WISH);
    expect(soft.ok && [soft.coverage.partial, soft.coverage.otherEdge]).toEqual([false, null]);
  });
});
