import { bevelDeg, hookDeg, rimPitchMm, rimSpeed } from './blade-geometry';

describe('the blade’s own geometry', () => {
  it('by hand: 250 mm, 40 teeth: pitch 19.63; hook from the face’s line', () => {
    expect(rimPitchMm(250, 40)).toBeCloseTo(19.635, 3);
    expect(hookDeg(125 * Math.sin(Math.PI / 9), 125)).toBeCloseTo(20, 9);
    expect(hookDeg(0, 100)).toBe(0);
    expect(bevelDeg(0.8, 0.8)).toBeCloseTo(45, 9);
    expect(() => hookDeg(130, 125)).toThrowError(RangeError);
  });
  // Engineers' handbooks: peripheral speed = pi D n, from memory; 10 in at 3,450 a minute is about 9,000 feet a minute.
  it('rim speed by the handbook’s formula, never without the marked limit', () => {
    const speed = rimSpeed(254, 3450, 6000);
    expect(speed.metresPerSecond * 196.85).toBeCloseTo(9032, -1);
    expect(speed.ok).toBeTrue();
    expect(rimSpeed(250, 4000, null)).toEqual(jasmine.objectContaining({ ok: false, code: 'no-marking' }));
    expect(rimSpeed(250, 7000, 6000)).toEqual(jasmine.objectContaining({ ok: false, code: 'over-marking' }));
  });
});
