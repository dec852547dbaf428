import { DEFAULT_HABITS } from '../work/habits';
import type { Saw } from '../saw/saw';
import type { Answered, CounterShop } from './judge-intake';
import { judgeIntake } from './judge-intake';

const shop: CounterShop = {
  rates: { wagePerHour: 60, leastCharge: 5, currency: '€' },
  habits: DEFAULT_HABITS,
};
const answered = (more: Partial<Answered> = {}): Answered => ({
  wood: 'dry-soft',
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
  filing: 'rip',
  backFixing: 'none',
  pitchMm: 5,
  toothLineMm: 600,
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

describe('everything the counter says of a saw', () => {
  it('by hand: 121 teeth of a rip saw at one money a minute, its set standing or gone', () => {
    const judged = judgeIntake(hand, answered(), shop);
    expect(judged.teeth).toBe(121);
    // 122 gullets of two strokes: 0.75 + (244 x 0.6 + 122 x 0.6) / 60 = 4.41; stoned 1, finished 3: 8.41 minutes.
    expect(judged.work.lowMinutes).toBeCloseTo(0.75 + (244 * 0.6 + 122 * 0.6) / 60 + 4, 9);
    // Its set gone: two seconds a tooth besides.
    expect(judged.work.highMinutes - judged.work.lowMinutes).toBeCloseTo((121 * 2) / 60, 9);
    expect([judged.low.amount, judged.high.amount]).toEqual([8.5, 12.5]);
    expect(judged.keep).toBeNull();
    expect(judged.judgement.taken.verdict).toBe('take');
  });
  it('not having looked leaves the range to the full tune; looking and finding it hollow is the tune', () => {
    const unknown = judgeIntake(hand, answered({ lineLook: 'not-looked' }), shop);
    expect(unknown.high.amount).toBeGreaterThan(unknown.low.amount + 20);
    const hollow = judgeIntake(hand, answered({ lineLook: 'hollow' }), shop);
    expect(hollow.high.amount).toBe(unknown.high.amount);
    expect(hollow.low.amount).toBeGreaterThan(unknown.low.amount + 10);
  });
  it('carbide is only handled here, whatever is wrong with it', () => {
    const rusty = answered({ marks: [{ kind: 'rust', along: 0, down: 1 }] });
    const sent = judgeIntake(blade('carbide'), rusty, shop);
    expect(sent.low.amount).toBe(sent.high.amount);
    expect(sent).toEqual(judgeIntake(blade('carbide'), rusty, shop));
    const steel = judgeIntake(blade('steel'), rusty, shop);
    expect(steel.high.amount).toBeGreaterThan(sent.high.amount);
    expect(steel.teeth).toBe(24);
  });
  it('a replacement is weighed against the middle of the price, and the weighing is judged', () => {
    const judged = judgeIntake(hand, answered({ replacement: 4 }), shop);
    // (8.50 + 12.50) / 2 every eleven months of weekly use.
    expect(judged.keep?.sharpening).toBeCloseTo(10.5 / (11 / 12), 9);
    expect(judged.judgement.taken.reasons.map((r) => r.rule)).toEqual(['costs-more']);
    expect(judgeIntake(hand, answered({ replacement: 400 }), shop).judgement.taken.verdict).toBe('take');
  });
  it('a shop that sells a blade rather than file a pull saw declines it; one that says nothing files it', () => {
    expect(judgeIntake(pull, answered(), shop).judgement.taken.verdict).toBe('take');
    expect(judgeIntake(pull, answered(), { ...shop, filesPullSaws: false }).judgement.taken.reasons[0]?.rule).toBe(
      'pull-soft',
    );
  });
});
