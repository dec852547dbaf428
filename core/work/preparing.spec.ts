import type { Prepared } from './preparing';
import { preparingMinutes, stepsPrepared, stillWrong } from './preparing';

const one = (
  kind: Prepared['kind'],
  result: Prepared['result'] = 'came-out',
  minutes: number | null = null,
): Prepared => ({
  ...{ kind, result, minutes },
});

describe('what was done before measuring', () => {
  it('is no step of the order any more, whether it came out or not; a handle taken off never was one', () => {
    expect(stepsPrepared([one('reseat'), one('handle-off')])).toEqual(['straighten']);
    expect(stepsPrepared([one('clean'), one('straighten', 'did-not')])).toEqual(['clean', 'straighten']);
    expect(stepsPrepared([])).toEqual([]);
  });
  it('what was tried last decides whether it is still wrong', () => {
    expect(stillWrong([one('straighten', 'did-not')])).toEqual(['straighten']);
    expect(stillWrong([one('straighten', 'did-not'), one('straighten')])).toEqual([]);
  });
  it('by hand: 25 minutes as told and the tables’ eight are 33', () =>
    expect(preparingMinutes([one('clean', 'came-out', 25), one('straighten')])).toBe(33));
});
