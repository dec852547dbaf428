import { leastPlateMm, lifeCost, nextVisit, saySharpenings } from './life';

describe('life of a plate', () => {
  it('by hand: 0.2 mm is four sharpenings, from three to six; (60 - 20 - 0.2) / 0.05 are left', () => {
    const cost = lifeCost(0.2, 60, leastPlateMm('back'));
    expect(cost.spent.likely).toBeCloseTo(4, 12);
    // 0.05 give or take a third.
    expect([cost.spent.least, cost.spent.most].map(Math.round)).toEqual([3, 6]);
    expect(cost.left).toEqual({ likely: 796, least: 597, most: 1194 });
  });
  it('is told no more exactly than it is known, and as a number only while it matters', () => {
    const of = (least: number, most: number) => saySharpenings({ likely: (least + most) / 2, least, most });
    expect([of(3, 6), of(12, 12), of(0.2, 0.4), of(80, 160), of(438, 876)]).toEqual([
      '3 to 6 sharpenings',
      'about 12 sharpenings',
      'less than one sharpening',
      '80 sharpenings or more',
      'more than 100 sharpenings',
    ]);
  });
  it('never says less than none', () => expect(lifeCost(1, 20.5, leastPlateMm('back')).left.most).toBe(0));
  // Common practice, no source (trade section 8): daily fine back saw 18 to 36 months, working crosscut 2 to 3.
  it('names the next visit by use', () => {
    expect(nextVisit('back', 'daily')).toEqual(jasmine.objectContaining({ fromMonths: 18, toMonths: 36 }));
    expect(nextVisit('hand', 'daily')).toEqual(jasmine.objectContaining({ fromMonths: 2, toMonths: 3 }));
  });
});
