import { groupsOf, parsePattern, rolesAlong } from './tooth-pattern';

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
});
