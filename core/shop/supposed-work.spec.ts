import { handOf } from '../calibration/hand';
import { NOTHING_LEARNED } from '../learn/learned';
import { ORDINARY_SAWS, ordinarySaw } from '../saw/ordinary-saws';
import type { Saw } from '../saw/saw';
import { workOf } from '../work/families';
import type { WorkFacts } from '../work/family-work';
import { PLAIN_WISH } from '../work/family-work';
import { DEFAULT_HABITS } from '../work/habits';
import type { WorkOrder } from '../work/order';
import { SUPPOSED, supposedSessions } from '../work/supposed-saw';
import type { PastEstimate, ReckoningShop, ToReckon } from './supposed-work';
import { marksAdd, supposedWork } from './supposed-work';

const shop = (more: Partial<ReckoningShop> = {}): ReckoningShop => ({
  ...{ habits: DEFAULT_HABITS, judgement: undefined, learned: NOTHING_LEARNED, past: [] },
  ...more,
});
const asked = (saw: Saw, more: Partial<ToReckon> = {}): ToReckon => ({
  ...{ saw, wood: 'dry-soft', marks: [], lineLook: 'even', wantsFiling: 'as-it-is', grain: 'unsaid', etch: false },
  work: 'sharpen',
  ...more,
});
const rust = (grade?: 'light' | 'moderate' | 'heavy') => ({
  kind: 'rust' as const,
  along: 0.5,
  down: 0.5,
  ...(grade && { grade }),
});

/** The order its plan would be, worked out apart from the counter: as advised, where the saw stands as supposed. */
function planOf(saw: Saw, wear: keyof typeof SUPPOSED, learned = NOTHING_LEARNED): WorkOrder {
  const hand = handOf([], learned);
  const facts: WorkFacts = {
    saw,
    visit: {
      wood: 'dry-soft',
      marks: [],
      grain: 'unsaid',
      etch: false,
      wantsFiling: 'as-it-is',
      replacement: null,
      useRate: 'weekly',
    },
    sessions: supposedSessions(saw, 'dry-soft', SUPPOSED[wear], 0),
    visits: [],
    habits: { ...DEFAULT_HABITS, learned },
    judgement: undefined,
    strokeRateOf: hand.strokeRateOf,
    stoning: hand.stoning,
  };
  const work = workOf(saw.family);
  if (work.way === 'round') {
    const studied = work.study(facts, work.plain);
    if (studied.ok) return work.order(studied.study, null);
  } else {
    const studied = work.study(facts, PLAIN_WISH);
    if (studied.ok) return work.order(studied.study, 0, null);
  }
  throw new Error('not planned');
}

describe('the work as the counter reckons it', () => {
  it('an even saw whose set stands costs at the counter what its plan costs, in every family, minute for minute', () => {
    for (const { id, saw } of ORDINARY_SAWS)
      expect(supposedWork(asked(saw), shop()).lowMinutes)
        .withContext(id)
        .toBeCloseTo(planOf(saw, 'keen').minutes, 9);
  });
  it('a saw nobody measured is reckoned between an even one and a neglected one, and its look narrows that', () => {
    for (const { id, saw } of ORDINARY_SAWS) {
      const open = supposedWork(asked(saw, { work: null, lineLook: 'not-looked' }), shop());
      expect(open.highMinutes).withContext(id).toBeGreaterThanOrEqual(open.lowMinutes);
      for (const work of ['sharpen', 'tune'] as const) {
        const looked = supposedWork(asked(saw, { work }), shop());
        expect(looked.lowMinutes)
          .withContext(id)
          .toBeGreaterThanOrEqual(open.lowMinutes - 1e-9);
        expect(looked.highMinutes)
          .withContext(id)
          .toBeLessThanOrEqual(open.highMinutes + 1e-9);
      }
    }
  });
  // Trade, numbers by which a filer judges a plan; common practice, no source: a fine back saw's filing takes 5 to 7
  // minutes, a hand saw's touch-up 4 to 5; shaping a neglected one takes up to an hour.
  it('lies where a filer expects it', () => {
    const filing = (id: string): number =>
      supposedWork(asked(ordinarySaw(id)), shop()).parts.find((part) => part.what === 'filing')?.low ?? 0;
    expect(filing('dovetail')).toBeGreaterThan(4.5);
    expect(filing('dovetail')).toBeLessThan(7);
    expect(filing('rip')).toBeGreaterThan(3.5);
    expect(filing('rip')).toBeLessThan(6);
    const neglected = supposedWork(asked(ordinarySaw('crosscut'), { work: 'tune' }), shop());
    expect(neglected.highMinutes).toBeLessThan(75);
  });
  it('rust by its grade: what was graded adds that, what was not adds the moderate, never the worst', () => {
    const saw = ordinarySaw('dovetail');
    const adds = (...marks: ReturnType<typeof rust>[]) => marksAdd(asked(saw, { marks }), shop())[0];
    // Sharpened as it stands it is not cleaned otherwise: by hand 15, 30, 60.
    for (const [grade, minutes] of [
      ['light', 15],
      ['moderate', 30],
      ['heavy', 60],
    ] as const)
      expect(adds(rust(grade))?.low)
        .withContext(grade)
        .toBeCloseTo(minutes, 9);
    expect(adds(rust())?.high).toBeCloseTo(30, 9);
    expect(adds(rust())?.open).toBeTrue();
    const both = adds(rust('light'), rust('heavy'));
    expect(both?.low).toBeCloseTo(60, 9);
    expect(both?.open).toBeFalse();
  });
  it('a handle adds its minutes, missing teeth what their plan asks, and each says whether it was told how much', () => {
    const marks = [
      { kind: 'loose-handle' as const, along: 0, down: 0.5, grade: 'heavy' as const },
      { kind: 'missing-teeth' as const, along: 0.5, down: 1 },
    ];
    const adds = marksAdd(asked(ordinarySaw('dovetail'), { marks }), shop());
    expect(adds.map((one) => [one.kind, one.open])).toEqual([
      ['missing-teeth', true],
      ['loose-handle', false],
    ]);
    expect(adds[1]?.low).toBeCloseTo(20, 9);
    expect(adds[0]?.high).toBeLessThan(5);
  });
  it('goes by the shop’s pace, whoever stands there, and says so', () => {
    const learned = { ...NOTHING_LEARNED, minutes: { factor: 1.25, error: 0.05, saws: 12 } };
    const [at, own] = [
      supposedWork(asked(ordinarySaw('rip')), shop()),
      supposedWork(asked(ordinarySaw('rip')), shop({ learned })),
    ];
    expect(own.lowMinutes).toBeCloseTo(1.25 * at.lowMinutes, 9);
    expect(planOf(ordinarySaw('rip'), 'keen', learned).minutes).toBeCloseTo(own.lowMinutes, 9);
    expect(own.reason.inputs.map((one) => one.name)).toContain('the shop’s pace');
  });
  it('by hand: with ten past saws of the family the range is the one eight in ten of them were planned in', () => {
    const ratios = [0.5, 0.8, 0.9, 0.95, 1, 1.05, 1.1, 1.2, 1.3, 2];
    const past = ratios.map((ratio): PastEstimate => ({
      family: 'hand',
      looked: true,
      likelyMinutes: 10,
      plannedMinutes: 10 * ratio,
    }));
    const saw = ordinarySaw('rip');
    const told = supposedWork(asked(saw), shop({ past }));
    // The 10 and 90 % of ten values, by rank: the second and the ninth.
    expect(told.lowMinutes).toBeCloseTo(0.8 * told.likelyMinutes, 9);
    expect(told.highMinutes).toBeCloseTo(1.3 * told.likelyMinutes, 9);
    expect(told.odds).toEqual({ within: 8, of: 10 });
    // Another family's, and saws looked at otherwise, tell nothing of this one.
    expect(supposedWork(asked(saw), shop({ past: past.map((one) => ({ ...one, family: 'back' })) })).odds).toBeNull();
    expect(supposedWork(asked(saw, { lineLook: 'not-looked', work: null }), shop({ past })).odds).toBeNull();
    expect(supposedWork(asked(saw), shop({ past: past.slice(0, 7) })).odds).toBeNull();
  });
  it('says what it was reckoned from, and what would narrow it', () => {
    const { reason } = supposedWork(asked(ordinarySaw('rip'), { work: null, lineLook: 'not-looked' }), shop());
    expect(reason.otherwise).toContain('halves the range');
    expect(reason.inputs.map((one) => one.name)).toContain('jointing and shaping, most');
    expect(supposedWork(asked(ordinarySaw('rip')), shop()).reason.otherwise).toBeUndefined();
  });
});
