import fc from 'fast-check';
import { mean, standardDeviation } from 'simple-statistics';
import { randomFrom, normal } from '../reference/made-line';
import { SHAVINGS } from '../raker/shavings';
import { FLOORS, WALLS } from '../testcut/cut-looks';
import type { Cause, OfWhichSaw } from './causes';
import { CAUSES, mirrored, remedyOf, usualOdds } from './causes';
import type { CutShown, SawKnown } from './found';
import type { Facts, FindingId } from './likelihood';
import { ALL_FINDINGS } from './likelihood';
import { entropyBits, nextLooks, tellsBits } from './next-look';
import { causesOf, oddsOf } from './odds';

const HAND: OfWhichSaw = { goes: 'to-and-fro', rakers: false, set: true };
const LONG: OfWhichSaw = { goes: 'to-and-fro', rakers: true, set: true };
const BAND: OfWhichSaw = { goes: 'band', rakers: false, set: true };
const shown = (more: Partial<CutShown> = {}): CutShown => ({
  ...{ runs: 'true', binds: false, chatters: false, shavings: null, kerfMm: null },
  ...{ offLine: null, wall: null, floor: null, beats: null, before: null },
  ...more,
});
const known = (more: Partial<SawKnown> = {}): SawKnown => ({
  ...{ plateMm: 0.6, wantedSetMm: 0.08, set: null, hopMm: null, loadDifference: null },
  ...{ bent: null, rakers: null, teethOut: null },
  ...more,
});
const facts = (a: Partial<CutShown> = {}, b: Partial<SawKnown> = {}): Facts => ({ shown: shown(a), known: known(b) });
const set = (left: number, right: number, errorMm: number | null = 0.004): SawKnown['set'] => ({
  ...{ differenceMm: left - right, errorMm, lesserMm: Math.min(left, right), sumMm: left + right },
});
const first = (saw: OfWhichSaw, of: Facts) => causesOf(saw, of).causes[0];

describe('causes of a cut by their odds', () => {
  it('every table is a distribution: chances sum to one, densities to one over all there is', () => {
    for (const { id, words, spread, likelihood } of ALL_FINDINGS)
      for (const cause of CAUSES) {
        const at = known({ set: set(0.08, 0.07) });
        if (words) {
          const sum = words.reduce((s, word) => s + likelihood(cause, word, at), 0);
          expect(sum).withContext(`${id} of ${cause}`).toBeCloseTo(1, 9);
        } else {
          const [middle, sd] = spread?.(cause, at) ?? [0, 0];
          let sum = 0;
          for (let z = -6; z < 6; z += 0.01) sum += likelihood(cause, middle + (z + 0.005) * sd, at) * 0.01 * sd;
          expect(sum).withContext(`${id} of ${cause}`).toBeCloseTo(1, 3);
        }
      }
    for (const saw of [HAND, LONG, BAND])
      expect([...usualOdds(saw).values()].reduce((s, p) => s + p, 0)).toBeCloseTo(1, 12);
  });

  it('by hand: Bayes’ rule over all causes and findings, and nothing else', () => {
    const of = facts({ runs: 'left', wall: 'clean' }, { set: set(0.1, 0.07) });
    const odds = oddsOf(HAND, of);
    const weight = (cause: Cause): number => {
      let w = usualOdds(HAND).get(cause) ?? 0;
      for (const { id, likelihood } of ALL_FINDINGS) {
        if (id === 'runs') w *= likelihood(cause, 'left', of.known);
        if (id === 'binds' || id === 'chatters') w *= likelihood(cause, 'no', of.known);
        if (id === 'wall') w *= likelihood(cause, 'clean', of.known);
        if (id === 'set') w *= likelihood(cause, 0.1 - 0.07, of.known);
        if (id === 'set-amount') w *= likelihood(cause, 0.07 / 0.08, of.known);
      }
      return w;
    };
    const all = [...odds.keys()].reduce((s, cause) => s + weight(cause), 0);
    for (const [cause, p] of odds)
      expect(p)
        .withContext(cause)
        .toBeCloseTo(weight(cause) / all, 12);
    expect(causesOf(HAND, of).remedies.reduce((s, r) => s + r.odds, 0)).toBeCloseTo(1, 12);
  });

  it('a saw seen from its other side has the same causes on the other side', () => {
    const side = { left: 'right', right: 'left', true: 'true' } as const;
    const wallSide = { 'scratched-left': 'scratched-right', 'scratched-right': 'scratched-left' } as const;
    fc.assert(
      fc.property(
        fc.constantFrom<CutShown['runs']>('left', 'true', 'right'),
        fc.boolean(),
        fc.boolean(),
        fc.constantFrom(null, ...WALLS),
        fc.constantFrom(null, ...FLOORS),
        fc.double({ min: 0.03, max: 0.15, noNaN: true }),
        fc.double({ min: 0.03, max: 0.15, noNaN: true }),
        fc.double({ min: -2, max: 2, noNaN: true }),
        (runs, binds, chatters, wall, floor, l, r, off) => {
          const of = facts(
            { runs, binds, chatters, wall, floor, offLine: { mm: off, overMm: 50 } },
            { set: set(l, r), loadDifference: off / 4, teethOut: { left: l > r, right: false } },
          );
          const flipped = facts(
            {
              ...{ runs: runs && side[runs], binds, chatters, floor, offLine: { mm: -off, overMm: 50 } },
              wall: wall === 'scratched-left' || wall === 'scratched-right' ? wallSide[wall] : wall,
            },
            { set: set(r, l), loadDifference: -off / 4, teethOut: { left: false, right: l > r } },
          );
          const mirror = oddsOf(LONG, flipped);
          for (const [cause, p] of oddsOf(LONG, of)) expect(mirror.get(mirrored(cause))).toBeCloseTo(p, 9);
        },
      ),
    );
  });

  /** A saw with a cause drawn by its usual odds, and findings by that cause's tables, each looked at now and then. */
  function drawn(saw: OfWhichSaw, random: () => number): { cause: Cause; of: Facts } {
    const pick = <T>(of: readonly (readonly [T, number])[]): T => {
      let left = random() * of.reduce((s, [, p]) => s + p, 0);
      return (of.find(([, p]) => (left -= p) <= 0) ?? (of[of.length - 1] as readonly [T, number]))[0];
    };
    const cause = pick([...usualOdds(saw)]);
    const at = known();
    const value = (id: FindingId): string | number => {
      const finding = ALL_FINDINGS.find((one) => one.id === id);
      if (!finding) throw new Error(id);
      if (finding.words) return pick(finding.words.map((word) => [word, finding.likelihood(cause, word, at)] as const));
      const [middle, sd] = finding.spread?.(cause, at) ?? [0, 1];
      return middle + sd * normal(random);
    };
    const maybe = <T>(make: () => T): T | null => (random() < 0.5 ? make() : null);
    const word = <T extends string>(id: FindingId, words: readonly T[]): T =>
      words.find((w) => w === value(id)) ?? drawnAgain(id, words);
    const drawnAgain = <T extends string>(id: FindingId, words: readonly T[]): T => {
      const one = value(id);
      return words.find((w) => w === one) ?? drawnAgain(id, words);
    };
    return {
      cause,
      of: facts(
        {
          runs: word('runs', ['left', 'true', 'right'] as const),
          binds: value('binds') === 'yes',
          chatters: value('chatters') === 'yes',
          shavings: maybe(() => word('shavings', SHAVINGS)),
          wall: maybe(() => word('wall', WALLS)),
          floor: maybe(() => word('floor', FLOORS)),
          kerfMm: maybe(() => Number(value('kerf'))),
          offLine: maybe(() => ({ mm: Number(value('off-line')), overMm: 25 })),
        },
        {
          hopMm: maybe(() => Math.exp(Number(value('hop')))),
          loadDifference: maybe(() => Number(value('load'))),
          bent: maybe(() => value('plate') === 'yes'),
        },
      ),
    };
  }

  it('simulated: of causes given so many odds, so many are it', () => {
    const random = randomFrom(4211);
    const bins = Array.from({ length: 10 }, () => ({ said: 0, are: 0, n: 0 }));
    for (let k = 0; k < 3000; k++) {
      const { cause, of } = drawn(HAND, random);
      for (const [one, p] of oddsOf(HAND, of)) {
        const bin = bins[Math.min(9, Math.floor(p * 10))];
        if (!bin) continue;
        bin.said += p;
        bin.n++;
        if (one === cause) bin.are++;
      }
    }
    for (const { said, are, n } of bins) {
      if (n < 100) continue;
      // Hops are never told under a thousandth, which is the only thing left out.
      expect(Math.abs(are - said) / n).toBeLessThan(0.02 + 3 * Math.sqrt(((said / n) * (1 - said / n)) / n));
    }
    expect(bins.filter(({ n }) => n >= 100).length).toBeGreaterThan(6);
  });

  // Trade section 8, common practice, no source.
  it('says what filers say: more set runs to its side, too little binds, unequal heights jump', () => {
    expect(first(HAND, facts({ runs: 'left' }, { set: set(0.11, 0.07) }))?.cause).toBe('set-left');
    expect(first(HAND, facts({ binds: true }, { set: set(0.03, 0.03) }))?.cause).toBe('set-thin');
    expect(first(HAND, facts({ chatters: true }, { hopMm: 0.14 }))?.cause).toBe('line-uneven');
    expect(
      first(HAND, facts({ runs: 'right', floor: 'slanting' }, { set: set(0.08, 0.08), loadDifference: 0 }))?.cause,
    ).toBe('dull-left');
    expect(first(HAND, facts({ runs: 'left', before: 'other' }, { set: set(0.08, 0.08) }))?.cause).toBe('hand');
    expect(
      first(HAND, facts({ wall: 'scratched-right' }, { set: set(0.08, 0.08), teethOut: { left: false, right: true } }))
        ?.cause,
    ).toBe('tooth-right');
    expect(first(LONG, facts({ shavings: 'whiskers' }, { rakers: { high: false, low: true } }))?.cause).toBe(
      'rakers-low',
    );
    expect(first(BAND, facts({ chatters: true, beats: 'at-weld' }))?.cause).toBe('weld');
    const stone = causesOf(HAND, facts({ runs: 'left' }, { set: set(0.11, 0.07) }));
    expect([stone.remedies[0]?.advice, stone.causes[0]?.tells[0]?.finding]).toEqual(['stone', 'set']);
    expect(stone.causes[0]?.reason.inputs.length).toBeGreaterThan(3);
  });

  it('its remedies stand in the order that mends it soonest, of all orders there are', () => {
    const random = randomFrom(9);
    for (let k = 0; k < 25; k++) {
      const remedies = causesOf(HAND, drawn(HAND, random).of).remedies.slice(0, 6);
      const expected = (order: typeof remedies): number => {
        let spent = 0;
        return order.reduce((sum, { odds, minutes }) => sum + odds * (spent += minutes), 0);
      };
      const orders = (of: typeof remedies): (typeof remedies)[] =>
        of.length < 2
          ? [of]
          : of.flatMap((one, i) => orders([...of.slice(0, i), ...of.slice(i + 1)]).map((rest) => [one, ...rest]));
      expect(expected(remedies)).toBeCloseTo(Math.min(...orders(remedies).map(expected)), 9);
    }
  });
});

describe('what to look at next', () => {
  it('tells as much as measuring does on average: what is unknown before, less what is left after', () => {
    const random = randomFrom(31);
    const of = facts({ runs: 'left' });
    const odds = oddsOf(HAND, of);
    for (const id of ['set', 'wall', 'plate', 'hop'] as const) {
      const finding = ALL_FINDINGS.find((one) => one.id === id);
      if (!finding) throw new Error(id);
      const falls: number[] = [];
      for (let k = 0; k < 3000; k++) {
        let left = random();
        const cause = [...odds].find(([, p]) => (left -= p) <= 0)?.[0] ?? 'wood';
        let value: string | number;
        if (finding.words) {
          let more = random();
          value =
            finding.words.find((word) => (more -= finding.likelihood(cause, word, of.known)) <= 0) ??
            finding.words.at(-1) ??
            '';
        } else {
          const [middle, sd] = finding.spread?.(cause, of.known) ?? [0, 1];
          value = middle + sd * normal(random);
        }
        const weights = [...odds].map(([one, p]) => p * finding.likelihood(one, value, of.known));
        const all = weights.reduce((s, w) => s + w, 0);
        falls.push(entropyBits(odds.values()) - entropyBits(weights.map((w) => w / all)));
      }
      const error = standardDeviation(falls) / Math.sqrt(falls.length);
      expect(Math.abs(tellsBits(finding, odds, of) - mean(falls)))
        .withContext(id)
        .toBeLessThan(4 * error + 0.01);
    }
  });

  it('is never what was looked at, and tells nothing where the cause is known; entropy by hand', () => {
    const looks = (saw: OfWhichSaw, of: Facts) => nextLooks(saw, of).map((one) => one.look);
    const bare = looks(HAND, facts({ runs: 'left' }));
    expect(bare).toContain('set');
    expect(bare).toContain('cut-again');
    expect(bare).not.toContain('rakers');
    expect(
      looks(HAND, facts({ runs: 'left' }, { set: set(0.1, 0.08), teethOut: { left: false, right: false } })),
    ).not.toContain('set');
    expect(looks(HAND, facts({ binds: true }))).not.toContain('cut-again');
    expect(looks(LONG, facts({ shavings: 'dust' }))).toContain('rakers');
    expect(looks(BAND, facts({ chatters: true }))).toContain('beat');
    const bits = nextLooks(HAND, facts({ runs: 'left' })).map((one) => one.bits);
    expect(bits).toEqual([...bits].sort((a, b) => b - a));
    expect(entropyBits([0.5, 0.25, 0.25])).toBeCloseTo(1.5, 12);
    expect(entropyBits([1, 0])).toBe(0);
    expect(remedyOf('line-uneven', { goes: 'round' }).advice).toBe('equalise-again');
  });
});
