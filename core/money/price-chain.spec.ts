import fc from 'fast-check';
import type { PriceKind, PriceWord } from './price-chain';
import { heldFrom, mayCharge, PRICE_KINDS, priceStanding } from './price-chain';

let next = 0;
const word = (kind: PriceKind, high: number, low = high): PriceWord => ({
  ...{ id: ++next, kind, low, high, plan: null, quote: null, wordBy: null, said: '', note: '', by: 'A', at: '' },
  ...{ minutesLow: null, minutesHigh: null, minutesLikely: null },
});

describe('a ticket’s price, word by word', () => {
  it('before a plan the estimate is what it costs, and its upper end is what may be charged', () => {
    const standing = priceStanding([word('estimate', 40, 20)]);
    expect([standing.live?.kind, standing.upTo, standing.over]).toEqual(['estimate', 40, 0]);
    expect(mayCharge([word('estimate', 40, 20)], 40)).toBeTrue();
    expect(mayCharge([word('estimate', 40, 20)], 40.5)).toBeFalse();
  });
  it('a plan above it wants a word; a yes up to a sum gives it, a no leaves the old sum', () => {
    const chain = [word('estimate', 40, 20), word('plan', 55)];
    expect(priceStanding(chain).over).toBe(15);
    const asked = [...chain, word('asked', 55)];
    expect(priceStanding(asked).asked?.high).toBe(55);
    const yes = [...asked, word('agreed', 60)];
    expect([priceStanding(yes).over, priceStanding(yes).upTo, priceStanding(yes).asked]).toEqual([0, 60, null]);
    const no = [...asked, word('refused', 55)];
    expect([priceStanding(no).over, priceStanding(no).upTo, priceStanding(no).refused?.kind]).toEqual([
      15,
      40,
      'refused',
    ]);
  });
  it('a yes to less than the plan is a yes to that much; a later plan asks again and forgets the no and the waiver', () => {
    const chain = [word('estimate', 40, 20), word('plan', 55), word('agreed', 50)];
    expect(priceStanding(chain).over).toBe(5);
    const later = [...chain, word('refused', 55), word('waived', 55), word('plan', 70)];
    const standing = priceStanding(later);
    expect([standing.over, standing.refused, standing.waived]).toEqual([20, null, null]);
    expect(priceStanding([...later, word('waived', 70)]).waived?.high).toBe(70);
    // The owner's waiver is no customer's word.
    expect(mayCharge([...later, word('waived', 70)], 70)).toBeFalse();
  });
  it('a smaller yes after a greater one holds: the customer may take back what is not spent', () =>
    expect(priceStanding([word('estimate', 40), word('agreed', 80), word('agreed', 50)]).upTo).toBe(50));
  it('whatever was said, nothing is over while the live price is within the sum, and one answer at most stands', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.constantFrom(...PRICE_KINDS.filter((k) => k !== 'charged')), fc.integer({ min: 1, max: 90 })),
        ),
        (said) => {
          const chain = [word('estimate', 40, 20), ...said.map(([kind, sum]) => word(kind, sum))];
          const { live, upTo, over, asked, refused } = priceStanding(chain);
          if (live && live.kind !== 'estimate') expect(over).toBeCloseTo(Math.max(0, live.high - upTo), 9);
          expect(asked !== null && refused !== null).toBeFalse();
          expect(mayCharge(chain, upTo)).toBeTrue();
        },
      ),
    ));
});

describe('what may be begun within an old sum', () => {
  it('by hand: four stops of five minutes for 40, of which 25 are agreed', () => {
    expect(heldFrom({ stopMinutes: [5, 5, 5, 5], amount: 40 }, 25)).toBe(2);
    expect(heldFrom({ stopMinutes: [5, 5, 5, 5], amount: 40 }, 40)).toBeNull();
    expect(heldFrom({ stopMinutes: [5, 5, 5, 5], amount: 40 }, 0)).toBe(0);
    expect(heldFrom({ stopMinutes: [0, 0], amount: 40 }, 25)).toBe(1);
    // Ten of thirty minutes went before: 13.33 of 40 are spent, the first stop makes it 20, the second 26.67.
    expect(heldFrom({ stopMinutes: [5, 5, 5, 5], amount: 40, minutesBefore: 10 }, 25)).toBe(1);
  });
  it('what is begun never costs more than was agreed, and the next stop would', () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 30, noNaN: true }), { minLength: 1, maxLength: 60 }),
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 200, noNaN: true }),
        (stopMinutes, amount, upTo) => {
          const held = heldFrom({ stopMinutes, amount }, upTo);
          const all = stopMinutes.reduce((a, b) => a + b, 0);
          const cost = (stops: number): number =>
            (amount * stopMinutes.slice(0, stops).reduce((a, b) => a + b, 0)) / all;
          if (held === null) return expect(amount).toBeLessThanOrEqual(upTo + 0.006);
          expect(cost(held)).toBeLessThanOrEqual(upTo + 0.006);
          expect(cost(held + 1)).toBeGreaterThan(upTo);
        },
      ),
    ));
});
