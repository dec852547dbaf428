import { NOTHING_LEARNED } from '../learn/learned';
import { DEFAULT_HABITS } from './habits';
import { atShopPace, tableMinutes } from './shop-pace';
import type { Step } from './step';

describe('minutes at the shop’s pace', () => {
  const steps = [{ minutes: 10 }, { minutes: 4 }] as Step[];
  const habits = (factor: number | null) => ({
    ...DEFAULT_HABITS,
    learned: { ...NOTHING_LEARNED, minutes: factor === null ? null : { factor, error: 0.1, saws: 7 } },
  });
  it('by hand: a shop that takes 1.2 times as long takes 12 minutes for 10; and the tables’ are got back from them', () => {
    const paced = atShopPace(steps, habits(1.2));
    expect(paced.steps.map((s) => s.minutes)).toEqual([12, 4.8]);
    expect(tableMinutes(12, paced.pace)).toBeCloseTo(10, 12);
  });
  it('before one is learned the tables stand, and say nothing of a pace', () => {
    expect(atShopPace(steps, habits(null))).toEqual({ steps });
    expect(atShopPace(steps, DEFAULT_HABITS)).toEqual({ steps });
    expect(tableMinutes(10, undefined)).toBe(10);
  });
});
