import { formatFleam, formatRake, parseFleam, parseRake } from './angle';

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
