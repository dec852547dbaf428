import { plainFacts } from './plain-facts';
import type { LengthReading, Reading } from '../evidence/reading';
import { keepOrReplace } from '../life/keep-or-replace';
import { monthsBetween } from '../life/life';
import { ordinarySaw } from '../saw/ordinary-saws';
import type { Saw, SawOf } from '../saw/saw';
import { teethOf } from '../saw/saw';
import { CUT_LIMITS } from '../testcut/acceptable';
import { USUAL_BOARD_MM } from '../testcut/foretold';
import { workOf } from './families';
import type { PlannedWork, RoundWork, WorkFacts } from './family-work';
import { PLAIN_WISH } from './family-work';
import type { LineWayChoice, Way } from './ways';
import { boughtBy } from './ways';

const RATES = { wagePerHour: 40, leastCharge: 10, currency: 'x' };
const length = (quantity: LengthReading['quantity'], place: number, value: number): LengthReading => ({
  ...{ key: `${quantity}-${place}`, quantity, place, value, gauge: 'indicator', part: null },
  ...{ setAside: false, corrects: null, simulated: false },
});
/** A worn line: uneven heights and places, set by side. */
function worn(
  saw: SawOf<'hand' | 'back'>,
  set: { left: number; right: number } | null,
  unevenMm: number,
  apart = 0.02,
): Reading[] {
  const wave = (i: number, k: number): number => Math.abs(Math.sin(i * 1.7 + k));
  return Array.from({ length: teethOf(saw) }, (_, i) => [
    length('place', i + 1, i * saw.pitchMm + apart * saw.pitchMm * wave(i, 1)),
    length('height', i + 1, -unevenMm * wave(i, 2)),
    ...(set ? [length('set', i + 1, (i % 2 === 0 ? set.left : set.right) + 0.002 * wave(i, 3))] : []),
  ]).flat();
}
const factsOf = (saw: Saw, readings: readonly Reading[], visit: Partial<WorkFacts['visit']> = {}): WorkFacts =>
  plainFacts(saw, [{ key: 'a', kind: 'before', readings }], visit);
const back = ordinarySaw('dovetail') as SawOf<'back'>;
const planned = (saw: Saw): PlannedWork => {
  const work = workOf(saw.family);
  if (work.way !== 'planned') throw new Error('It has a line of teeth.');
  return work;
};
const waysOf = (facts: WorkFacts) => {
  const ways = planned(facts.saw).ways(facts, PLAIN_WISH, RATES, USUAL_BOARD_MM);
  if (!ways) throw new Error('There are no ways.');
  return ways;
};
const oneOf = (all: readonly Way<LineWayChoice>[], id: Way<LineWayChoice>['id']): Way<LineWayChoice> => {
  const found = all.find((way) => way.id === id);
  if (!found) throw new Error(`There is no way ${id}.`);
  return found;
};

describe('what could be done with a line of teeth, side by side', () => {
  const facts = factsOf(back, worn(back, { left: 0.1, right: 0.1 }, 0.04, 0.2), { replacement: 90 });
  const all = waysOf(facts);

  it('each is worked out whole: its own order’s depth, minutes, money and life', () => {
    expect(all.ways.map((way) => way.id)).toEqual(['sharpen', 'joint', 'tune', 'retooth']);
    for (const way of all.ways) {
      const studied = planned(back).study(facts, { ...PLAIN_WISH, ...way.choice });
      if (!studied.ok) throw new Error('no study');
      const order = planned(back).order(studied.study, way.choice.depthMm ?? 0, RATES);
      expect([order.minutes, order.price?.amount]).toEqual([way.minutes, way.price?.amount]);
      expect(order.forecast.life).toEqual({ spent: way.spent as never, left: way.left as never });
      expect(planned(back).wayOf(studied.study, way.choice.depthMm ?? 0)).toBe(way.id);
      const [from, to] = monthsBetween('back', 'weekly');
      expect(way.years).toEqual([((way.left?.least ?? NaN) * from) / 12, ((way.left?.most ?? NaN) * to) / 12]);
    }
    // Between two of them it is neither.
    const studied = planned(back).study(facts, PLAIN_WISH);
    const between = (oneOf(all.ways, 'joint').depthMm + oneOf(all.ways, 'tune').depthMm) / 2;
    expect(studied.ok && planned(back).wayOf(studied.study, between)).toBeNull();
  });

  it('deeper is more even and costs life; what each buys over the one before is their difference', () => {
    const [sharpen, joint] = [oneOf(all.ways, 'sharpen'), oneOf(all.ways, 'joint')];
    expect(joint.cut.hopMm).toBeLessThan(sharpen.cut.hopMm ?? NaN);
    expect(joint.cut.loads?.worstOverMean).toBeLessThan(sharpen.cut.loads?.worstOverMean ?? NaN);
    const bought = boughtBy(sharpen, joint);
    expect(bought.minutes).toBeCloseTo(joint.minutes - sharpen.minutes, 12);
    expect(bought.hopLessMm).toBeCloseTo((sharpen.cut.hopMm ?? NaN) - (joint.cut.hopMm ?? NaN), 12);
    expect(bought.sharpenings).toBeCloseTo(joint.depthMm / 0.05, 9);
    expect(bought.years).toBeGreaterThan(0);
  });

  it('the least is the quickest whose cut is good enough for the wood; harder wood asks more', () => {
    for (const wood of ['dry-hard', 'dry-soft', 'green'] as const) {
      const { ways, least } = waysOf(factsOf(back, worn(back, { left: 0.1, right: 0.1 }, 0.08), { wood }));
      const good = ways.filter((way) => way.good);
      expect(least).toBe(good.length === 0 ? null : (good.sort((a, b) => a.minutes - b.minutes)[0]?.id ?? null));
      for (const way of ways) {
        const hops = (way.cut.hopMm ?? 0) > CUT_LIMITS[wood].hopMm;
        expect(way.falls.includes('hops')).toBe(hops);
      }
    }
    const uneven = (mm: number) => waysOf(factsOf(back, worn(back, { left: 0.1, right: 0.1 }, mm))).least;
    expect([uneven(0.001), uneven(0.12)]).toEqual(['sharpen', 'joint']);
  });

  it('a saw that runs is stoned on its heavier side before it is set anew; one too thin in its kerf is said to bind', () => {
    const sharpen = oneOf(waysOf(factsOf(back, worn(back, { left: 0.12, right: 0.1 }, 0.001))).ways, 'sharpen');
    expect(sharpen.resets).toBeFalse();
    expect(sharpen.stoning?.[0]?.runsTo).toBe('left');
    expect(sharpen.stoning?.at(-1)?.runsTo).toBe('true');
    expect(sharpen.falls).toEqual([]);
    const unread = oneOf(waysOf(factsOf(back, worn(back, null, 0.001))).ways, 'sharpen');
    expect([unread.stoning, unread.unknown]).toEqual([null, unread.resets ? [] : ['set']]);
  });

  it('filed otherwise where the owner asked for it; left be, it is held against what another costs', () => {
    const other = waysOf(factsOf(back, worn(back, { left: 0.1, right: 0.1 }, 0.02), { wantsFiling: 'crosscut' }));
    expect(other.ways.map((way) => way.id)).toContain('convert');
    expect(oneOf(other.ways, 'sharpen').choice.convert).toBeFalse();
    expect(all.decline?.ratio).toBe(
      keepOrReplace('back', 'weekly', oneOf(all.ways, 'tune').price?.amount ?? NaN, 90).ratio,
    );
    expect(other.decline).toBeNull();
    expect(planned(back).ways(factsOf(back, []), PLAIN_WISH, RATES, USUAL_BOARD_MM)).toBeNull();
  });
});

describe('what could be done with what goes round', () => {
  const roundOf = (saw: Saw): RoundWork => {
    const work = workOf(saw.family);
    if (work.way !== 'round') throw new Error('It goes round.');
    return work;
  };
  const of = (saw: Saw, readings: readonly Reading[]) => {
    const work = roundOf(saw);
    const facts = factsOf(saw, readings);
    const ways = work.ways(facts, work.plain, RATES);
    return { work, facts, ways };
  };
  const sets = Array.from({ length: 8 }, (_, i) => length('set', i + 1, i % 2 === 0 ? 0.3 : 0.28));

  it('a blade: as it stands, set anew, jointed to what is worth keeping, jointed to its lowest; each is found again', () => {
    const blade = ordinarySaw('blade-rip');
    const dial = Array.from({ length: teethOf(blade) }, (_, i) =>
      length('runout', i + 1, i === 5 ? -0.9 : 0.1 * Math.sin(2.3 * i)),
    );
    const { work, facts, ways } = of(blade, [...dial, ...sets]);
    expect(ways?.ways.map((way) => way.id)).toEqual(['sharpen', 'set', 'joint', 'tune']);
    for (const way of ways?.ways ?? []) {
      const studied = work.study(facts, way.choice);
      if (!studied.ok) throw new Error(studied.says);
      expect(work.wayOf(studied.study)).toBe(way.id);
      expect(work.order(studied.study, RATES).minutes).toBe(way.minutes);
    }
    expect(of(ordinarySaw('blade-carbide'), []).ways).toBeNull();
  });

  it('a band: filed alike, set anew, jointed as well; a set has its own depths to choose', () => {
    const { work, facts, ways } = of(ordinarySaw('band-narrow'), sets);
    expect(ways?.ways.map((way) => [way.id, way.resets])).toEqual([
      ['sharpen', false],
      ['set', true],
      ['joint', true],
    ]);
    for (const way of ways?.ways ?? []) {
      const studied = work.study(facts, way.choice);
      expect(studied.ok && work.wayOf(studied.study)).toBe(way.id);
      expect([way.spent, way.years]).toEqual([null, null]);
    }
    const set = of(ordinarySaw('dado'), []);
    expect(set.ways).toBeNull();
  });
});
