import { readFileSync } from 'node:fs';
import type { planBand } from '../band/band-windows';
import { heightOnBreasted } from '../line/breasted-line';
import type { CrosscutPlan } from './families/crosscut/study';
import { studyCrosscut } from './families/crosscut/study';
import { POWERED_BLADE_CAUTION } from '../circular/blade-geometry';
import { quantitiesOf } from '../evidence/quantities';
import { UNCALIBRATED_STROKES } from '../line/strokes';
import { FAMILIES, isPowered } from '../saw/all-families';
import { ORDINARY_SAWS, ordinarySaw } from '../saw/ordinary-saws';
import { FAMILY_WORK, workOf } from './families';
import type { WorkFacts } from './family-work';
import { PLAIN_WISH } from './family-work';
import { DEFAULT_HABITS } from './habits';
import { workOrder } from './order';
import type { CircularRecord, CrosscutRecord, PullRecord, SawRecord, StraightRecord } from './saw-record';

const example = <R extends SawRecord>(name: string): R =>
  JSON.parse(readFileSync(`docs/examples/${name}.json`, 'utf8')) as R;

const ofRecord = (record: SawRecord, depthMm?: number): object => workOf(record.family).ofRecord(record, depthMm);

/** No number in a plan may be missing or without bound. */
function numbersAreFinite(value: unknown, at = ''): void {
  if (typeof value === 'number') expect(Number.isFinite(value)).withContext(at).toBeTrue();
  else if (value !== null && typeof value === 'object')
    for (const [key, one] of Object.entries(value)) numbersAreFinite(one, `${at}/${key}`);
}

describe('the plan of a saw record', () => {
  for (const name of ['back-saw', 'hand-saw', 'pull-saw', 'crosscut-saw', 'band', 'circular-saw', 'dado-set'])
    it(`${name}: every number in it is one`, () => {
      const record = example(name);
      const plan = ofRecord(record);
      numbersAreFinite(plan);
      expect(plan).toEqual(jasmine.objectContaining({ family: record.family }));
    });

  it('a straight saw’s tells the cut before and as planned, and whether a broken tooth is worth chasing', () => {
    const told = ofRecord(example<StraightRecord>('hand-saw')) as {
      chase: { tooth: number; advice: string }[];
      cut: { before: { shareWorking: number; hopMm: number }; planned: { shareWorking: number; hopMm: number } };
    };
    expect(told.chase[0]).toEqual(jasmine.objectContaining({ tooth: 12, advice: 'blend' }));
    expect(told.cut.planned.shareWorking).toBeGreaterThanOrEqual(told.cut.before.shareWorking);
    expect(told.cut.planned.hopMm).toBeLessThan(told.cut.before.hopMm);
  });

  it('a depth of one’s own is taken, one beyond the tooth refused', () => {
    const record = example<StraightRecord>('back-saw');
    expect((ofRecord(record, 0.3) as { order: { choice: { depthMm: number } } }).order.choice.depthMm).toBe(0.3);
    expect(() => ofRecord(record, 30)).toThrowError(RangeError);
    expect(() => ofRecord(example<CrosscutRecord>('crosscut-saw'), 30)).toThrowError(RangeError);
  });

  describe('of a crosscut saw', () => {
    const record = example<CrosscutRecord>('crosscut-saw');
    const plan: CrosscutPlan = studyCrosscut(record);
    it('joints the cutters to a breasted line and leaves each at its own point on it', () => {
      expect(plan.line.sagittaMm).toBeGreaterThan(2.5);
      expect(plan.cutters.length).toBe(20);
      const onLine = plan.cutters.filter((c) => Math.abs(c.yMm - heightOnBreasted(plan.line, c.xMm)) < 1e-9);
      expect(onLine.length).toBeGreaterThanOrEqual(19);
      expect(plan.reachedShare).toBeGreaterThanOrEqual(0.95);
    });
    it('files rakers against the cutters as they will then stand', () => {
      const filed = plan.rakers.filings.filter((f) => f.offMm > 0);
      expect(filed.length).toBe(plan.rakers.filings.length);
      expect(plan.rakerTarget.depthMm).toBeCloseTo(15 * 1.5 * 0.0254, 9);
    });
    it('the last raker, past the last cutter, is held against the arc and not against its chord', () => {
      // Worked out apart from this code: 0.181 mm deep, not 0.611 as against the chord.
      const last = plan.rakers.filings.at(-1);
      expect(last?.tooth).toBe(30);
      expect(plan.rakerTarget.depthMm - (last?.offMm ?? 0)).toBeCloseTo(0.181, 3);
      expect(plan.rakers.tooLow).toEqual([]);
    });
    it('a perfect saw of 5 m radius has no raker too low', () => {
      const arc = (x: number): number => Math.sqrt(5000 ** 2 - (x - 360) ** 2) - 5000 + 13;
      const perfect = record.readings.map((r, i) => ({
        ...r,
        xMm: 12 * i + 6,
        yMm: arc(12 * i + 6) - (i % 3 === 2 ? plan.rakerTarget.depthMm : 0),
      }));
      expect(studyCrosscut({ ...record, readings: perfect }).rakers.tooLow).toEqual([]);
    });
    it('names cutters alone, by the pattern and where it begins', () => {
      expect(plan.cutters.map((c) => c.tooth % 3)).not.toContain(0);
      const shifted = studyCrosscut({ ...record, patternOffset: 1 });
      // C R C C R C C …: the second tooth is the first raker.
      expect(shifted.cutters.map((c) => c.tooth).slice(0, 3)).toEqual([1, 3, 4]);
      expect(shifted.rakers.filings[0]?.tooth).toBe(2);
    });
    it('takes a depth from nothing to the most, and none beside them', () => {
      expect(studyCrosscut(record, 0).depthMm).toBe(0);
      expect(() => studyCrosscut(record, -0.01)).toThrowError(RangeError);
      const says = (() => {
        try {
          studyCrosscut(record, 99);
          return '';
        } catch (error) {
          return (error as Error).message;
        }
      })();
      const most = Number(/between 0 and ([\d.]+) mm/.exec(says)?.[1]);
      expect(most).toBeGreaterThan(1);
      expect(() => studyCrosscut(record, most + 0.01)).toThrowError(RangeError);
      expect(studyCrosscut(record, most - 0.01).reachedShare).toBe(1);
    });
    it('a raker standing over the line is jointed with the cutters, and then wants its whole depth', () => {
      const proud = record.readings.map((r) => (r.tooth === 15 ? { ...r, yMm: r.yMm + 2 } : r));
      const own = studyCrosscut({ ...record, readings: proud });
      const raker = own.rakers.filings.find((f) => f.tooth === 15);
      const chordDip = (12 * 12) / (2 * (own.radiusMm ?? Infinity));
      expect(raker?.offMm).toBeGreaterThan(own.rakerTarget.depthMm - chordDip - 0.02);
      expect(raker?.offMm).toBeLessThan(own.rakerTarget.depthMm + 0.1);
    });
    it('a swaged raker is filed thin first; a breast is never looked for beyond a hundredth of the length', () => {
      const swaged = studyCrosscut({
        ...record,
        rakerTip: 'swaged',
        readings: record.readings.map((r) => (r.tooth % 3 === 0 ? { ...r, yMm: r.yMm + 0.6 } : r)),
      });
      expect(swaged.rakers.filings.some((f) => f.step === 'file-thin')).toBeTrue();
      const steep = record.readings.map((r) => ({ ...r, yMm: r.yMm * 8 }));
      expect(studyCrosscut({ ...record, readings: steep }).line.sagittaMm).toBeCloseTo(0.01 * 29 * 12, 2);
    });
    it('evenness is judged by the finest pitch of the line', () => {
      const half = { teeth: 15, pitchFromMm: 12, pitchToMm: 12, rakeFromDeg: -10, rakeToDeg: -10 };
      const fine = { ...half, pitchFromMm: 6, pitchToMm: 6 };
      const readings = record.readings.map((r, i) => ({ ...r, xMm: i < 15 ? r.xMm : 14 * 12 + 12 + (i - 15) * 6 }));
      const own = studyCrosscut({ ...record, zones: [half, fine], readings });
      expect(own.least.byTeethMm).toBeGreaterThanOrEqual(0);
      expect(() => studyCrosscut({ ...record, zones: [half, fine], readings }, 5)).toThrowError(RangeError);
    });
    it('holds a breast that is given', () => expect(studyCrosscut({ ...record, sagittaMm: 2 }).line.sagittaMm).toBe(2));
    it('refuses a pattern that is none, in a sentence', () =>
      expect(() => studyCrosscut({ ...record, pattern: 'RRR' })).toThrowError(/no tooth pattern/));
    it('a shop’s own share of teeth changes the depth, never upwards for fewer', () => {
      const fewer = studyCrosscut({ ...record, habits: { shareOnLine: 0.8 } });
      expect(fewer.line.alphaMm).toBeGreaterThanOrEqual(plan.line.alphaMm - 1);
      expect(fewer.reachedShare).toBeGreaterThanOrEqual(0.8);
    });
  });

  it('a pull saw’s third filing is still the top bevels, its fourth all three edges', () => {
    const kind = (topOnlySince: number): string =>
      (ofRecord({ ...example<PullRecord>('pull-saw'), topOnlySince }) as { filing: { kind: string } }).filing.kind;
    expect([0, 3].map(kind)).toEqual(['top-only', 'full']);
    const teeth = (ofRecord(example<PullRecord>('pull-saw')) as { teeth: { tooth: number }[] }).teeth.map(
      (t) => t.tooth,
    );
    expect(teeth).toEqual([...teeth].sort((a, b) => a - b));
  });

  it('a pull saw’s low teeth are sharpened like all the others; levelling comes on top', () => {
    const record = example<PullRecord>('pull-saw');
    const readings = record.readings.map((r) => (r.tooth === 5 ? { ...r, yMm: r.yMm - 0.3 } : r));
    const { sharpenStrokes, teeth } = ofRecord({ ...record, readings, habits: { strokesPerGullet: 3 } }) as {
      sharpenStrokes: number;
      teeth: { tooth: number; offMm: number; strokes: number; levelStrokes: number }[];
    };
    expect(sharpenStrokes).toBe(3);
    expect(teeth.find((t) => t.tooth === 5)).toEqual(
      jasmine.objectContaining({ offMm: 0, strokes: 3, levelStrokes: 0 }),
    );
    teeth.forEach((t) => expect(t.strokes).toBe(3 + t.levelStrokes));
    expect(teeth.some((t) => t.levelStrokes > 0)).toBeTrue();
  });

  it('a perfect blade on an arbor 0.15 mm out is given no stroke once it was read turned', () => {
    const teeth = 40;
    const dial = (turned: number): CircularRecord['dial'] =>
      Array.from({ length: teeth }, (_, i) => ({
        tooth: i + 1,
        offMm: 0.15 * Math.cos((2 * Math.PI * i) / teeth - 0.4 + turned),
        kind: 'scorer' as const,
      }));
    const record = { ...example<CircularRecord>('circular-saw'), teeth, dial: dial(0) };
    const told = ofRecord({ ...record, again: { turnedDeg: 180, dial: dial(Math.PI) } }) as {
      filedFrom: string;
      scorers: { filings: { strokes: number }[]; spreadBeforeMm: number };
    };
    expect(told.filedFrom).toBe('blade');
    expect(told.scorers.filings.every((f) => f.strokes === 0)).toBeTrue();
    expect(told.scorers.spreadBeforeMm).toBeLessThan(1e-9);
    // Read once, nobody can tell: what is filed from is then what the dial showed, and it is said.
    const once = ofRecord({ ...record, again: undefined }) as { filedFrom: string };
    expect(once.filedFrom).toBe('blade-and-arbor');
  });

  it('a circular blade’s tells the blade from the arbor, names the broken tooth and never guesses a speed', () => {
    const record = example<CircularRecord>('circular-saw');
    const told = ofRecord(record) as {
      scorers: { leftShort: number[] };
      bladeAndArbor: { bladeMm: number; arborMm: number } | null;
      speed: { ok: boolean };
    };
    expect(told.scorers.leftShort).toEqual([18]);
    expect(told.bladeAndArbor?.bladeMm).toBeCloseTo(0.12, 1);
    expect(told.bladeAndArbor?.arborMm).toBeCloseTo(0.05, 2);
    expect(told.speed.ok).toBeTrue();
    const unmarked = ofRecord({ ...record, markedLimitRpm: null, again: undefined }) as {
      speed: object;
      bladeAndArbor: null;
    };
    expect(unmarked.speed).toEqual(jasmine.objectContaining({ ok: false, code: 'no-marking' }));
    expect(unmarked.bladeAndArbor).toBeNull();
  });

  it('a band’s counted teeth outrank those reckoned', () => {
    const told = ofRecord(example('band')) as { teeth: number; reckoned: number; work: ReturnType<typeof planBand> };
    expect([told.teeth, told.reckoned]).toEqual([379, 378]);
    expect(told.work.circuits.length).toBe(3);
  });
});

describe('the table of families', () => {
  const facts = (saw: WorkFacts['saw']): WorkFacts => ({
    saw,
    visit: { wood: 'dry-soft', marks: [], grain: 'unsaid', etch: false, wantsFiling: 'as-it-is' },
    sessions: [],
    visits: [],
    habits: DEFAULT_HABITS,
    judgement: undefined,
    strokeRate: UNCALIBRATED_STROKES,
  });
  const saws = ORDINARY_SAWS.map(({ id }) => ordinarySaw(id));

  it('every family has its work, and may be gauged', () => {
    expect(Object.keys(FAMILY_WORK).sort()).toEqual([...FAMILIES].sort());
    for (const saw of saws) expect(workOf(saw.family).measured(saw)).toEqual(quantitiesOf(saw));
  });
  it('of a saw worked by hand the order is steps by hand, with the counter’s minutes and the caution of powered blades', () => {
    for (const saw of saws) {
      const work = workOf(saw.family);
      if (work.way !== 'by-hand') continue;
      const order = work.order(facts(saw));
      expect(workOrder.parse(order)).toEqual(order);
      expect(order.steps.every((s) => s.kind === 'by-hand' && (s.says ?? '') !== '')).toBeTrue();
      expect(order.minutes).toBeCloseTo(
        order.steps.reduce((s, one) => s + one.minutes, 0),
        9,
      );
      expect(order.steps[0]?.cautions.includes(POWERED_BLADE_CAUTION)).toBe(isPowered(saw.family));
    }
    expect(saws.filter((saw) => workOf(saw.family).way === 'planned').map((saw) => saw.family)).toContain('back');
  });
  it('a line nobody measured is said so; a record of another family is refused', () => {
    const back = saws.find((saw) => saw.family === 'back');
    if (!back) throw new Error('There is no ordinary back saw.');
    expect(FAMILY_WORK.back.way === 'planned' && FAMILY_WORK.back.study(facts(back), PLAIN_WISH)).toEqual({
      ok: false,
      code: 'nothing-measured',
    });
    for (const saw of FAMILIES)
      expect(() => workOf(saw).ofRecord(example(saw === 'band' ? 'circular-saw' : 'band'))).toThrowError(RangeError);
  });
});
