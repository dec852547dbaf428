import { formatFleam, formatRake, parseFleam, parseRake, readDegrees, readFleam } from './angle';
import { sayBothFleams } from './shop-speech';

const fleam = (text: string, speech: 'off-square' | 'to-plate' = 'off-square'): number => {
  const read = parseFleam(text, speech);
  if (!read.ok) throw new Error(read.code);
  return read.deg;
};

describe('angles as a shop says them', () => {
  it('takes both ways of saying fleam anywhere: 65 to the plate is 25', () => {
    expect(fleam('25')).toBe(25);
    expect(fleam('25°')).toBe(25);
    expect(fleam('65 to the plate')).toBe(25);
    expect(fleam('65', 'to-plate')).toBe(25);
    expect(fleam('25 off square', 'to-plate')).toBe(25);
  });

  it('stores a lean back as a negative rake however it is spoken', () => {
    expect(parseRake('15', 'lean-back')).toEqual({ ok: true, deg: -15 as never });
    expect(parseRake('-15', 'signed')).toEqual({ ok: true, deg: -15 as never });
    expect(parseRake('0', 'lean-back')).toEqual({ ok: true, deg: 0 as never });
  });

  it('reads off a saw what it says, and leaves the judging to others', () => {
    expect(readFleam('75', 'off-square')).toEqual({ ok: true, deg: 75 as never });
    expect(readFleam('75', 'to-plate')).toEqual({ ok: true, deg: 15 as never });
    expect(readFleam('95', 'off-square').ok).toBeFalse();
    expect(readDegrees('−12,5°')).toEqual({ ok: true, deg: -12.5 });
    expect(readDegrees('65 to the plate')).toEqual({ ok: false, code: 'not-an-angle', text: '65 to the plate' });
    expect(readDegrees('')).toEqual({ ok: false, code: 'empty', text: '' });
  });

  it('both ways of saying fleam at once: 25 off square is 65 to the plate', () => {
    expect(sayBothFleams(25)).toBe('25° off square, 65° to the plate');
    expect(sayBothFleams(0)).toBe('square across, 90° to the plate');
  });

  it('refuses what no file leaves, and what is not an angle', () => {
    expect(parseFleam('75', 'off-square').ok).toBeFalse();
    expect(parseRake('-60', 'signed').ok).toBeFalse();
    expect(parseFleam('steep', 'off-square')).toEqual({ ok: false, code: 'not-an-angle', text: 'steep' });
  });

  it('prints in the shop’s words', () => {
    expect(formatFleam(25, 'to-plate')).toBe('65° to the plate');
    expect(formatRake(-15, 'lean-back')).toBe('15° leaning back');
    expect(formatRake(0, 'lean-back')).toBe('upright');
    expect(formatRake(-15, 'signed')).toBe('−15°');
  });
});
