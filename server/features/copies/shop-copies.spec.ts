import { isDue } from './shop-copies';

describe('the copy of the night', () => {
  const at = (day: number, hour: number): Date => new Date(2031, 4, day, hour);
  const made = (day: number, hour: number): string => at(day, hour).toISOString();

  it('is due where none was made since two in the morning, and where there is none at all', () => {
    expect(isDue(null, at(4, 12))).toBeTrue();
    expect(isDue(made(3, 12), at(4, 3))).toBeTrue();
    expect(isDue(made(4, 2), at(4, 3))).toBeFalse();
    expect(isDue(made(4, 2), at(5, 1))).toBeFalse();
    expect(isDue(made(4, 2), at(5, 2))).toBeTrue();
    // Made by hand in the evening, the night's is due all the same.
    expect(isDue(made(4, 22), at(5, 3))).toBeTrue();
    expect(isDue(made(3, 3), at(4, 1))).toBeFalse();
  });
});
