import fc from 'fast-check';
import { selectSmallest } from './select';

describe('the k-th smallest', () => {
  it('is what sorting gives, ties and all', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -20, max: 20 }), { minLength: 1, maxLength: 60 }),
        fc.nat(),
        (values, at) => {
          const k = at % values.length;
          const sorted = [...values].sort((a, b) => a - b);
          expect(selectSmallest(Float64Array.from(values), values.length, k)).toBe(sorted[k] as number);
        },
      ),
    );
  });
  it('refuses a place that is not there', () => expect(() => selectSmallest(new Float64Array(3), 3, 3)).toThrowError());
});
