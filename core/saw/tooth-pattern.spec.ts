import { placesOf } from '../evidence/quantities';
import { sidesOf } from '../evidence/sides';
import { ordinarySaw } from './ordinary-saws';
import { rakersOf, rolesOn, teethOf } from './saw';
import type { SawOf } from './saw';
import { sawFaults } from './saw-faults';
import { groupsOf, offsetOf, parsePattern, patternFrom, rolesAlong } from './tooth-pattern';

const roles = (text: string, n: number, offset = 0) => {
  const read = parsePattern(text);
  if (!read.ok) throw new Error(read.code);
  return rolesAlong(read.roles, n, offset);
};

describe('patterns of cutters and rakers', () => {
  it('CCR repeats, and may begin anywhere in a group', () => {
    expect(
      roles('CCR', 7)
        .map((r) => r[0])
        .join(''),
    ).toBe('ccrccrc');
    expect(
      roles('c c r', 5, 1)
        .map((r) => r[0])
        .join(''),
    ).toBe('crccr');
    expect(
      roles('CCR', 4, -1)
        .map((r) => r[0])
        .join(''),
    ).toBe('rccr');
  });
  it('a run of cutters is a group, a raker is none', () => {
    expect([...groupsOf(roles('CCR', 7))]).toEqual([0, 0, -1, 1, 1, -1, 2]);
    expect([...groupsOf(roles('C', 4))]).toEqual([0, 0, 0, 0]);
  });
  it('refuses what is no pattern', () => {
    for (const text of ['', 'R', 'CXR', 'RR', 'C'.repeat(41)]) expect(parsePattern(text).ok).toBeFalse();
    expect(() => rolesAlong([], 3)).toThrowError(RangeError);
  });
  it('read from another first tooth it is the same pattern; another pattern has no first tooth', () => {
    expect(patternFrom('CCCCR', 2)).toBe('CCRCC');
    expect([0, 2, 4].map((offset) => offsetOf('CCCCR', patternFrom('CCCCR', offset)))).toEqual([0, 2, 4]);
    expect(offsetOf('CCCCR', 'CCRCR')).toBeNull();
  });
});

describe('a line that begins within its pattern', () => {
  const twoMan = ordinarySaw('two-man') as SawOf<'crosscut'>;
  const short: SawOf<'crosscut'> = { ...twoMan, pattern: 'CCCCR', pitchMm: 12, toothLineMm: 12 * 20, patternOffset: 3 };
  const at = (saw: SawOf<'crosscut'>): string =>
    (rolesOn(saw, teethOf(saw)) ?? []).map((role) => (role === 'raker' ? 'R' : 'C')).join('');

  it('has its rakers there, counts them, and is asked for them there', () => {
    expect(at(short)).toBe('CRCCCCRCCCCRCCCCRCCCC');
    expect(rakersOf(short)).toBe(4);
    expect(placesOf(short, 'raker-depth')).toEqual([2, 7, 12, 17]);
    expect(placesOf(short, 'height')).not.toContain(2);
    expect([1, 2, 3, 4].map((tooth) => sidesOf(short)(tooth))).toEqual(['left', null, 'right', 'left']);
    expect(placesOf({ ...short, patternOffset: 0 }, 'raker-depth')).toEqual([5, 10, 15, 20]);
  });
  it('begins within it: not beyond it', () => {
    expect(sawFaults(short)).toEqual([]);
    expect(sawFaults({ ...short, patternOffset: 5 }).map((f) => f.path)).toEqual([['patternOffset']]);
  });
});
