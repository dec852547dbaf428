import { lifeCost, nextVisit, sayLeft } from './life';

describe('life of a plate', () => {
  it('by hand: 0.2 mm is four sharpenings; (60 - 20 - 0.2) / 0.05 are left', () => {
    const cost = lifeCost(0.2, 60, 'back');
    expect(cost.sharpenings).toBeCloseTo(4, 12);
    expect(cost.left).toBe(796);
  });
  it('is said as a number only while it matters', () =>
    expect([sayLeft(12), sayLeft(100), sayLeft(584)]).toEqual(['about 12', 'about 100', 'more than 100']));
  it('never says less than none', () => expect(lifeCost(1, 20.5, 'back').left).toBe(0));
  // Common practice, no source (trade section 8): daily fine back saw 18 to 36 months, working crosscut 2 to 3.
  it('names the next visit by use', () => {
    expect(nextVisit('back', 'daily', true)).toEqual(
      jasmine.objectContaining({ fromMonths: 18, toMonths: 36, filingsTheSetLasts: [3, 4] }),
    );
    expect(nextVisit('hand', 'daily', false)).toEqual(jasmine.objectContaining({ fromMonths: 2, toMonths: 3 }));
  });
});
