import { DEFAULT_HABITS } from '../work/habits';
import type { Saw } from '../saw/saw';
import type { Answered, CounterShop } from './judge-intake';
import { judgeIntake } from './judge-intake';

const shop: CounterShop = {
  rates: { wagePerHour: 60, leastCharge: 10, currency: '€' },
  habits: DEFAULT_HABITS,
};
const answered = (more: Partial<Answered> = {}): Answered => ({
  hardened: 'no',
  marks: [],
  lineLook: 'even',
  grain: 'unsaid',
  wantsFiling: 'as-it-is',
  etch: false,
  collectible: false,
  useRate: 'weekly',
  replacement: null,
  ...more,
});
const head = {
  name: 'A saw',
  marksOnIt: '',
  convention: 'points',
  plateThicknessMm: 0.8,
  plateDepthHeelMm: 90,
  plateDepthToeMm: 60,
} as const;
const hand: Saw = {
  ...head,
  family: 'hand',
  filing: 'crosscut',
  backFixing: 'none',
  pitchMm: 3.6,
  toothLineMm: 648,
};
const pull: Saw = {
  ...head,
  family: 'pull',
  filing: 'rip',
  backFixing: 'none',
  edges: 1,
  pitchMm: 2,
  toothLineMm: 240,
};
const blade = (tipped: 'steel' | 'carbide'): Saw => ({
  ...head,
  family: 'circular',
  filing: 'rip',
  backFixing: 'none',
  pitchMm: 32.7,
  toothLineMm: 785.4,
  diameterMm: 250,
  boreMm: 30,
  tipped,
  markedLimitRpm: 6000,
});
const exact = { factor: 1, error: 0, saws: 3 };

describe('everything the counter says of a saw', () => {
  it('by hand: 181 teeth of a hand saw at one a minute', () => {
    const judged = judgeIntake(hand, answered(), shop, exact);
    expect(judged.teeth).toBe(181);
    // 5 + 181 x 1.8 / 60 = 10.43 minutes, to the next half: both ends alike, as the line was looked along.
    expect([judged.low.amount, judged.high.amount]).toEqual([10.5, 10.5]);
    expect(judged.keep).toBeNull();
    expect(judged.judgement.taken.verdict).toBe('take');
  });
  it('not having looked leaves the range to the full tune; looking and finding it hollow is the tune', () => {
    const unknown = judgeIntake(hand, answered({ lineLook: 'not-looked' }), shop, exact);
    expect(unknown.high.amount).toBeGreaterThan(unknown.low.amount + 20);
    const hollow = judgeIntake(hand, answered({ lineLook: 'hollow' }), shop, exact);
    expect([hollow.low.amount, hollow.high.amount]).toEqual([unknown.high.amount, unknown.high.amount]);
  });
  it('carbide is only handled here, whatever is wrong with it', () => {
    const sent = judgeIntake(blade('carbide'), answered({ marks: [{ kind: 'rust', along: 0, down: 1 }] }), shop, exact);
    expect(sent.work.parts.map((p) => p.what)).toEqual(['sharpening']);
    expect(sent.high.amount).toBe(10);
    const steel = judgeIntake(blade('steel'), answered({ marks: [{ kind: 'rust', along: 0, down: 1 }] }), shop, exact);
    expect(steel.high.amount).toBeGreaterThan(60);
    expect(steel.teeth).toBe(24);
  });
  it('every part of a set is worked on its own', () => {
    const part = (id: string, kind: 'outer' | 'chipper', teeth: number) => ({ id, kind, teeth, plateMm: 2, cutMm: 3 });
    const parts = [part('l', 'outer', 40), part('c', 'chipper', 4), part('r', 'outer', 40)];
    const set: Saw = {
      ...(blade('steel') as Saw & { family: 'circular' }),
      family: 'dado',
      filing: 'combination',
      parts,
    };
    expect(judgeIntake(set, answered(), shop, exact).work.lowMinutes).toBeCloseTo(8 + 2 * 4 + (84 * 9) / 60, 9);
  });
  it('a replacement is weighed against the middle of the price, and the weighing is judged', () => {
    // 10.5 every 11 months against 4 that lasts 66: keeping costs more than half as much again.
    const judged = judgeIntake(hand, answered({ replacement: 4 }), shop, exact);
    expect(judged.keep?.sharpening).toBeCloseTo(10.5 / (11 / 12), 9);
    expect(judged.judgement.taken.reasons.map((r) => r.rule)).toEqual(['costs-more']);
    expect(judgeIntake(hand, answered({ replacement: 400 }), shop, exact).judgement.taken.verdict).toBe('take');
  });
  it('a shop that sells a blade rather than file a pull saw declines it; one that says nothing files it', () => {
    expect(judgeIntake(pull, answered(), shop).judgement.taken.verdict).toBe('take');
    expect(judgeIntake(pull, answered(), { ...shop, filesPullSaws: false }).judgement.taken.reasons[0]?.rule).toBe(
      'pull-soft',
    );
  });
  it('before there is a pace the range is wider than the work alone', () => {
    const judged = judgeIntake(hand, answered(), shop);
    expect(judged.work.highMinutes / judged.work.lowMinutes).toBeCloseTo(1.2 / 0.8, 9);
  });
});
