import { parseCount, pitchMmSaid } from './count';

describe('a count of teeth as people say it', () => {
  const count = (text: string): number | string => {
    const read = parseCount(text);
    return read.ok ? read.count : read.code;
  };
  it('halves in every way they are written', () => {
    for (const text of [
      '5 1/2',
      '5½',
      '5 ½',
      '5-1/2',
      '5.5',
      '5,5',
      '11/2',
      ' 5 1 / 2 ',
      '5 1⁄2',
      '5 1/2 points',
      '5½ pts',
    ])
      expect(count(text)).withContext(text).toBe(5.5);
    expect(count('9/2')).toBe(4.5);
    expect(count('8')).toBe(8);
    expect(count('7¾')).toBe(7.75);
  });
  it('a word says which way of counting was meant, whatever the shop speaks', () => {
    expect(pitchMmSaid('11 points to the inch', 'teeth')).toBeCloseTo(2.54, 12);
    expect(pitchMmSaid('10 teeth', 'points')).toBeCloseTo(2.54, 12);
    expect(pitchMmSaid('10 TPI', 'points')).toBeCloseTo(2.54, 12);
    expect(pitchMmSaid('5½', 'points')).toBeCloseTo(25.4 / 4.5, 12);
  });
  it('anything else is no count', () => {
    for (const text of ['five', '5 1/2 1/2', '5..5', '-5', '1e3', '5 mm', '1/2/3', '½½'])
      expect(count(text)).withContext(text).toBe('not-a-count');
    expect(count('')).toBe('empty');
    expect(count('5/0')).toBe('zero-denominator');
    expect(pitchMmSaid('1 point', 'points')).toBeNaN();
    expect(pitchMmSaid('1/2', 'points')).toBeNaN();
  });
});
