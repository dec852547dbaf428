import fc from 'fast-check';
import { formatLength, lengthIn, parseLength } from './length';
import type { LengthUnit } from './length';

const mm = (text: string, spoken: LengthUnit = 'thou'): number => {
  const read = parseLength(text, spoken);
  if (!read.ok) throw new Error(`${text}: ${read.code}`);
  return read.mm;
};

describe('parseLength', () => {
  it('reads what a shop says, 1 inch being 25.4 mm exactly', () => {
    expect(mm('0.004')).toBeCloseTo(0.1016, 12);
    expect(mm('4 thou')).toBeCloseTo(0.1016, 12);
    expect(mm('4')).toBeCloseTo(0.1016, 12);
    expect(mm('1/64')).toBeCloseTo(0.396875, 12);
    expect(mm('1 1/2 in')).toBeCloseTo(38.1, 12);
    expect(mm('0.1 mm')).toBeCloseTo(0.1, 12);
    expect(mm('0,1', 'mm')).toBeCloseTo(0.1, 12);
    expect(mm('−2.5', 'thou')).toBeCloseTo(-0.0635, 12);
  });

  it('says which unit it took', () => {
    const read = parseLength('0.004', 'thou');
    expect(read.ok && read.readAs).toBe('inch');
  });

  it('names what is wrong and keeps the text', () => {
    expect(parseLength('', 'mm')).toEqual({ ok: false, code: 'empty', text: '' });
    expect(parseLength('four', 'mm')).toEqual({ ok: false, code: 'not-a-length', text: 'four' });
    expect(parseLength('1/0', 'mm')).toEqual({ ok: false, code: 'zero-denominator', text: '1/0' });
    expect(parseLength('1e308', 'mm')).toEqual({ ok: false, code: 'too-large', text: '1e308' });
    for (const text of ['1..2', '--1', '1 2 3', 'NaN', 'Infinity', '1/2/3'])
      expect(parseLength(text, 'mm').ok).toBeFalse();
  });

  it('reads back what it printed, the same to the last digit shown', () => {
    const units: LengthUnit[] = ['mm', 'thou', 'inch'];
    fc.assert(
      fc.property(fc.double({ min: -500, max: 500, noNaN: true }), fc.constantFrom(...units), (value, unit) => {
        const shown = formatLength(value, unit);
        expect(formatLength(mm(shown, 'mm'), unit)).toBe(shown);
        expect(Math.abs(lengthIn(mm(shown, 'mm') - value, unit))).toBeLessThan(0.06);
      }),
    );
  });
});
