import fc from 'fast-check';
import { countCheck, longestPause } from './count-check';

describe('where the last marker comes up', () => {
  it('by hand: 378 teeth in windows of 23: as foretold, a window early, two late, three teeth off', () => {
    expect(countCheck(378, 23, 378)).toEqual({ finds: 'as-foretold' });
    expect(countCheck(378, 23, 355)).toEqual({ finds: 'skipped', windows: 1, offTeeth: -23 });
    expect(countCheck(378, 23, 425)).toEqual({ finds: 'twice', windows: 2, offTeeth: 47 });
    expect(countCheck(378, 23, 381)).toEqual({ finds: 'miscounted', teeth: 381, offTeeth: 3 });
    expect(() => countCheck(378, 0, 378)).toThrowError(RangeError);
  });
  it('finds every number of windows lost or doubled on any band', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 200, max: 1500 }),
        fc.integer({ min: 5, max: 60 }),
        fc.integer({ min: -3, max: 3 }),
        (teeth, each, windows) => {
          const found = countCheck(teeth, each, teeth + windows * each);
          expect(found.finds).toBe(windows === 0 ? 'as-foretold' : windows < 0 ? 'skipped' : 'twice');
          if ('windows' in found) expect(found.windows).toBe(Math.abs(windows));
        },
      ),
    );
  });
});

describe('where the place was lost', () => {
  const pressed = (...minutes: number[]) => minutes.map((at, stop) => ({ stop, atMs: at * 60_000 }));
  it('is the longest time away, where it stands out', () => {
    expect(longestPause(pressed(0, 1, 2, 40, 41, 42))).toEqual({ afterStop: 2, minutes: 38 });
    // Pressed back and done again, the moments decide and not the stops.
    expect(longestPause([...pressed(0, 1, 2, 40)].reverse())?.afterStop).toBe(2);
  });
  it('is nowhere in steady work, nor in a short one', () => {
    expect(longestPause(pressed(0, 3, 7, 10, 14))).toBeNull();
    expect(longestPause(pressed(0, 1, 2, 5, 6))).toBeNull();
    expect(longestPause([])).toBeNull();
  });
});
